interface Props {
  label: string;
  angle: number;
  chord: string;
  rise: string;
}

const SIZE = 320;
const MIDDLE = SIZE / 2;
const R = 130;

/** A chord of a circle with the arc that stands over it. */
export function ChordView({ label, angle, chord, rise }: Props) {
  const half = (angle * Math.PI) / 360;
  const [x, y] = [R * Math.sin(half), R * Math.cos(half)];
  const high = MIDDLE - y;
  return (
    <svg viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={label} className="mx-auto block w-full max-w-80">
      <circle cx={MIDDLE} cy={MIDDLE} r={R} className="fill-line stroke-ink" fillOpacity="0.45" strokeWidth="1.6" />
      <path
        d={`M${MIDDLE - x} ${high}A${R} ${R} 0 ${angle > 180 ? 1 : 0} 1 ${MIDDLE + x} ${high}Z`}
        className="fill-mark-wash stroke-mark"
        strokeWidth="2"
      />
      <path
        d={`M${MIDDLE - x} ${high}L${MIDDLE} ${MIDDLE}L${MIDDLE + x} ${high}`}
        fill="none"
        className="stroke-soft"
        strokeDasharray="6 4"
      />
      <text x={MIDDLE} y={MIDDLE + 34} textAnchor="middle" className="figures fill-ink text-[20px] font-bold">
        {chord}
      </text>
      <text x={MIDDLE} y={MIDDLE + 56} textAnchor="middle" className="fill-soft text-[16px]">
        stands over it {rise}
      </text>
    </svg>
  );
}
