interface Props {
  label: string;
  /** From the middle of the one to the middle of the other. */
  off: number;
  /** Diameters: of what is off the middle, of what is on it, and of the bar. */
  pin: number;
  main: number;
  bar?: number | undefined;
  /** Angle to a second one of the same throw. */
  apart?: number | undefined;
  shown: string;
}

const SIZE = 300;
const MIDDLE = SIZE / 2;

/** A pin or an eccentric beside its shaft, seen on the end: throw, circle it swings, and the bar. */
export function OffCentre({ label, off, pin, main, bar, apart, shown }: Props) {
  const widest = Math.max(off + pin / 2, main / 2, (bar ?? 0) / 2, off + 0.1);
  const scale = (MIDDLE - 16) / widest;
  const turn = ((apart ?? 0) * Math.PI) / 180;
  const large = pin > 2 * off;
  const shaft = (
    <circle cx={MIDDLE} cy={MIDDLE} r={(main / 2) * scale} className="fill-mark-wash stroke-mark" strokeWidth={2} />
  );
  return (
    <svg viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={label} className="mx-auto block w-full max-w-96">
      {bar && (
        <circle cx={MIDDLE} cy={MIDDLE} r={(bar / 2) * scale} className="fill-none stroke-ink" strokeDasharray="6 5" />
      )}
      <circle cx={MIDDLE} cy={MIDDLE} r={off * scale} className="fill-none stroke-soft" strokeDasharray="2 4" />
      {!large && shaft}
      {apart !== undefined && (
        <circle
          cx={MIDDLE + off * scale * Math.sin(turn)}
          cy={MIDDLE - off * scale * Math.cos(turn)}
          r={(pin / 2) * scale}
          className="fill-none stroke-straw-edge"
          strokeWidth={2}
        />
      )}
      <circle
        cx={MIDDLE}
        cy={MIDDLE - off * scale}
        r={(pin / 2) * scale}
        className="fill-straw stroke-straw-edge"
        strokeWidth={2}
      />
      {large && shaft}
      <path d={`M${MIDDLE} ${MIDDLE}V${MIDDLE - off * scale}`} className="stroke-ink" strokeWidth={2} />
      <text x={MIDDLE + 8} y={MIDDLE - (off * scale) / 2 + 5} className="figures fill-ink text-[16px] font-semibold">
        {shown}
      </text>
    </svg>
  );
}
