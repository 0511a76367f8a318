interface Props {
  label: string;
  /** From the spindle at the touch to the place, less than nothing to the left. */
  goes: number;
  /** Half the finder, with what lies between. */
  offset: number;
  /** Of the piece; a piece that runs on where it is not told. */
  wide?: number;
  shown: string;
}

const WIDE = 400;
const EDGE = 40;

/** A piece from above, the finder at its edge, and how far the spindle goes from there. */
export function Touched({ label, goes, offset, wide, shown }: Props) {
  const right = goes < 0;
  const piece = wide ?? Math.max(offset * 6, 20);
  const scale = (WIDE - 2 * EDGE) / (piece + 2 * offset);
  const touch = right ? WIDE - EDGE - offset * scale : EDGE + offset * scale;
  const edge = right ? touch - offset * scale : touch + offset * scale;
  const there = touch + goes * scale;
  const left = right ? edge - piece * scale : edge;
  return (
    <svg viewBox={`0 0 ${WIDE} 210`} role="img" aria-label={label} className="w-full">
      <path
        d={`M${left} 60H${left + piece * scale}V170H${left}Z`}
        className="fill-line stroke-ink"
        fillOpacity="0.45"
        strokeWidth="2"
      />
      {wide === undefined && (
        <path d={`M${right ? left : left + piece * scale} 55V175`} className="stroke-paper" strokeWidth="6" />
      )}
      <circle
        cx={touch}
        cy={115}
        r={Math.max(offset * scale, 3)}
        className="fill-mark-wash stroke-ink"
        strokeWidth="2"
      />
      <path
        d={`M${touch} 30V125M${there} 30V190`}
        className="stroke-mark"
        strokeDasharray="12 4 3 4"
        strokeWidth="1.4"
      />
      <path d={`M${touch} 40H${there}`} className="stroke-ink" strokeWidth="1.6" />
      <text x={(touch + there) / 2} y={30} textAnchor="middle" className="figures fill-ink text-[20px] font-bold">
        {shown}
      </text>
    </svg>
  );
}
