interface Props {
  label: string;
  /** Across the jaws as they turn, and what swings over the bed, in millimetres. */
  jaws: number;
  bed: number;
  shown: { jaws: string; bed: string };
}

const WIDE = 400;
const TALL = 300;
const MIDDLE = 136;

/** A chuck from the front: the circle its jaws sweep, and the bed they must not meet. */
export function JawsSwing({ label, jaws, bed, shown }: Props) {
  const most = Math.max(jaws, bed);
  const r = (mm: number) => (mm / most) * 118;
  const fouls = jaws > bed + 1e-9;
  const edge = fouls ? 'fill-stop stroke-stop-edge' : 'fill-mark-wash stroke-mark';
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL}`} role="img" aria-label={label} className="w-full">
      {[0, 120, 240].map((turn) => (
        <rect
          key={turn}
          x={WIDE / 2 - 13}
          y={MIDDLE - r(jaws)}
          width={26}
          height={r(jaws) * 0.55}
          transform={`rotate(${turn} ${WIDE / 2} ${MIDDLE})`}
          className={edge}
          strokeWidth="1.8"
        />
      ))}
      <circle
        cx={WIDE / 2}
        cy={MIDDLE}
        r={r(jaws)}
        className={`fill-none ${fouls ? 'stroke-stop-edge' : 'stroke-mark'}`}
        strokeDasharray="12 4 3 4"
      />
      <path d={`M20 ${MIDDLE + r(bed)}H${WIDE - 20}`} className="stroke-ink" strokeWidth="4" />
      <text x={20} y={TALL - 12} className="fill-ink text-[16px]">
        the bed, swings <tspan className="figures font-bold">{shown.bed}</tspan>
      </text>
      <text x={WIDE / 2} y={MIDDLE + 6} textAnchor="middle" className="figures fill-ink text-[18px] font-bold">
        {shown.jaws}
        {fouls && <tspan className="fill-stop-ink"> fouls</tspan>}
      </text>
    </svg>
  );
}
