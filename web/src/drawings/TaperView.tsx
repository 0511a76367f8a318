interface Props {
  label: string;
  large: number;
  small: number;
  long: number;
  shown: { large: string; small: string; long: string; angle: string };
}

const WIDE = 400;
const EDGE = 76;

/** A taper along its axis, to scale. */
export function TaperView({ label, large, small, long, shown }: Props) {
  const scale = Math.min((WIDE - 2 * EDGE) / long, 210 / large);
  const [l, a, b] = [long * scale, (large / 2) * scale, (small / 2) * scale];
  const left = (WIDE - l) / 2;
  const middle = a + 34;
  return (
    <svg viewBox={`0 0 ${WIDE} ${2 * a + 86}`} role="img" aria-label={label} className="w-full">
      <path
        d={`M${left} ${middle - a}L${left + l} ${middle - b}V${middle + b}L${left} ${middle + a}Z`}
        className="fill-line stroke-ink"
        fillOpacity="0.55"
        strokeWidth="2"
      />
      <path d={`M${left - 26} ${middle}H${left + l + 26}`} className="stroke-mark" strokeDasharray="14 4 3 4" />
      <path d={`M${left} ${middle - a}H${left + l}`} className="stroke-soft" strokeDasharray="5 5" />
      <text x={left + l / 2} y={middle - a - 10} textAnchor="middle" className="figures fill-ink text-[20px] font-bold">
        {shown.angle}°
      </text>
      <text x={left - 6} y={middle - 6} textAnchor="end" className="figures fill-ink text-[16px]">
        {shown.large}
      </text>
      <text x={left + l + 6} y={middle - 6} className="figures fill-ink text-[16px]">
        {shown.small}
      </text>
      <text x={left + l / 2} y={middle + a + 26} textAnchor="middle" className="figures fill-ink text-[16px]">
        {shown.long}
      </text>
    </svg>
  );
}
