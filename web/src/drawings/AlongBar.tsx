interface Cut {
  name: string;
  /** From the faced end to the cut's near side and to its far one. */
  from: number;
  to: number;
  shown: string;
}

interface Props {
  label: string;
  long: number;
  cuts: Cut[];
  /** From the right, as a lathe's bar; else from the left, as on a mill. */
  right?: boolean;
}

const WIDE = 400;
const EDGE = 20;
const MOST = 12;

/** A bar or a piece with every cut where it lies, from the one edge they are told from. */
export function AlongBar({ label, long, cuts, right }: Props) {
  const scale = (WIDE - 2 * EDGE) / long;
  const x = (mm: number) => (right ? WIDE - EDGE - mm * scale : EDGE + mm * scale);
  const shown = cuts.slice(0, MOST);
  return (
    <svg viewBox={`0 0 ${WIDE} ${118 + shown.length * 22}`} role="img" aria-label={label} className="w-full">
      <rect
        x={EDGE}
        y={20}
        width={long * scale}
        height={70}
        className="fill-line stroke-ink"
        fillOpacity="0.55"
        strokeWidth="2"
      />
      <path d={`M${x(0)} 8V102`} className="stroke-mark" strokeWidth="2" />
      {shown.map((cut, n) => {
        const [a, b] = [x(cut.from), x(cut.to)];
        const low = 112 + n * 22;
        const edge = right ? Math.max(a, b) : Math.min(a, b);
        return (
          <g key={cut.name}>
            <rect x={Math.min(a, b)} y={16} width={Math.max(Math.abs(b - a), 1.5)} height={78} className="fill-mark" />
            <path d={`M${x(0)} ${low}H${edge}M${edge} 94V${low + 4}`} className="stroke-soft" />
            <text
              x={(x(0) + edge) / 2}
              y={low - 4}
              textAnchor="middle"
              paintOrder="stroke"
              strokeWidth="4"
              className="figures fill-ink stroke-card text-[15px] font-bold">
              {cut.shown}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
