interface Props {
  label: string;
  /** Between the flanks, degrees. */
  angle: number;
  /** Where each pass ends, from the crest. */
  depths: number[];
}

const WIDE = 380;
const TALL = 230;

/** The groove of a thread opened pass by pass: each line is the edge of one chip. */
export function Steps({ label, angle, depths }: Props) {
  const deepest = depths.at(-1) ?? 1;
  const half = Math.tan(((angle / 2) * Math.PI) / 180);
  const scale = Math.min((TALL - 50) / deepest, (WIDE - 60) / (2 * deepest * half));
  const top = 28;
  const edge = (deep: number) =>
    `M${WIDE / 2 - deep * half * scale} ${top}L${WIDE / 2} ${top + deep * scale}L${WIDE / 2 + deep * half * scale} ${top}`;
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL}`} role="img" aria-label={label} className="w-full">
      <rect
        x={10}
        y={top}
        width={WIDE - 20}
        height={TALL - top - 8}
        className="fill-mark-wash stroke-mark"
        strokeWidth={1.5}
      />
      <path d={`${edge(deepest)}Z`} className="fill-card stroke-mark" strokeWidth={2} />
      {depths.slice(0, -1).map((deep, n) => (
        <path key={n} d={edge(deep)} className="fill-none stroke-ink" strokeWidth={0.8} />
      ))}
    </svg>
  );
}
