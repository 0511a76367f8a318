interface Props {
  label: string;
  /** Edges of the bars, one more than there are. */
  edges: number[];
  heights: number[];
  /** Between these the bars are wanted. */
  wanted: [number, number];
  shown: (mm: number) => string;
}

const WIDE = 420;
const FOOT = 130;

/** How often each size comes; what lies inside the wanted two lines is filled. */
export function Bars({ label, edges, heights, wanted, shown }: Props) {
  const low = Math.min(edges[0]!, wanted[0]);
  const high = Math.max(edges.at(-1)!, wanted[1]);
  const x = (mm: number) => 10 + ((mm - low) / (high - low || 1)) * (WIDE - 20);
  const top = Math.max(...heights) || 1;
  return (
    <svg viewBox={`0 0 ${WIDE} 170`} role="img" aria-label={label} className="w-full">
      {heights.map((height, n) => {
        const middle = (edges[n]! + edges[n + 1]!) / 2;
        const inside = middle >= wanted[0] && middle <= wanted[1];
        const tall = (height / top) * (FOOT - 12);
        return (
          <rect
            key={n}
            x={x(edges[n]!)}
            y={FOOT - tall}
            width={Math.max(x(edges[n + 1]!) - x(edges[n]!), 1)}
            height={tall}
            className={inside ? 'fill-mark' : 'fill-mark-wash stroke-mark'}
            strokeWidth={inside ? 0 : 0.5}
          />
        );
      })}
      <path d={`M10 ${FOOT}H${WIDE - 10}`} className="stroke-ink" strokeWidth={1.5} />
      {wanted.map((mm, n) => (
        <g key={n}>
          <path d={`M${x(mm)} 6V${FOOT + 6}`} className="stroke-ink" strokeWidth={1.5} strokeDasharray="5 4" />
          <text
            x={x(mm)}
            y={FOOT + 26}
            textAnchor={n ? (x(mm) > WIDE - 70 ? 'end' : 'start') : x(mm) < 70 ? 'start' : 'end'}
            className="figures fill-ink text-[15px]">
            {shown(mm)}
          </text>
        </g>
      ))}
    </svg>
  );
}
