import type { Schemas } from '../api/client';

const WIDE = 420;
const TALL = 170;
const LEFT = 8;
const FOOT = 24;
/** How much of the scale a size in words may want to either side. */
const END = 110;

interface Props {
  shape: Schemas['FitAcross'];
  size: number;
  /** A length as this page writes it. */
  shown: (mm: number, fine?: boolean) => string;
}

/** Least and most clearance of one fit over the sizes round its own: what grows with the diameter. */
export function AcrossSizes({ shape, size, shown }: Props) {
  const { size_mm: sizes, low_mm: lows, high_mm: highs } = shape;
  if (sizes.length < 2) return null;
  const top = Math.max(...highs, 0);
  const bottom = Math.min(...lows, 0);
  const [first, last] = [Math.log(sizes[0]!), Math.log(sizes.at(-1)!)];
  const x = (mm: number) => LEFT + ((Math.log(mm) - first) / (last - first)) * (WIDE - 2 * LEFT);
  const y = (mm: number) => 8 + ((top - mm) / (top - bottom || 1)) * (TALL - FOOT - 16);
  const way = (values: number[]) => values.map((mm, n) => `${x(sizes[n]!)} ${y(mm)}`);
  // The size in hand is what is read: an end of the scale that its words would cover stays unsaid.
  const mine = x(size);
  const [nearFirst, nearLast] = [mine - LEFT < END, WIDE - LEFT - mine < END];
  const anchor =
    nearFirst && mine - LEFT < END / 2 ? 'start' : nearLast && WIDE - LEFT - mine < END / 2 ? 'end' : 'middle';
  const band = `M${[...way(highs), ...way(lows).reverse()].join('L')}Z`;
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${TALL}`}
      role="img"
      aria-label={`Clearance of this fit from ${shown(sizes[0]!)} to ${shown(sizes.at(-1)!)}`}
      className="w-full">
      <path d={band} className="fill-mark-wash stroke-mark" strokeWidth={1.2} />
      <path d={`M${LEFT} ${y(0)}H${WIDE - LEFT}`} className="stroke-ink" strokeWidth={1.5} />
      <path d={`M${x(size)} 4V${TALL - FOOT}`} className="stroke-ink" strokeWidth={1.5} strokeDasharray="5 4" />
      {!nearFirst && (
        <text x={LEFT} y={TALL - 4} className="figures fill-soft text-[14px]">
          {shown(sizes[0]!)}
        </text>
      )}
      <text x={mine} y={TALL - 4} textAnchor={anchor} className="figures fill-ink text-[14px] font-semibold">
        {shown(size)}
      </text>
      {!nearLast && (
        <text x={WIDE - LEFT} y={TALL - 4} textAnchor="end" className="figures fill-soft text-[14px]">
          {shown(sizes.at(-1)!)}
        </text>
      )}
      <text
        x={WIDE - LEFT - 6}
        y={y((highs.at(-1)! + lows.at(-1)!) / 2) + 5}
        textAnchor="end"
        className="figures fill-ink text-[14px]">
        {shown(lows.at(-1)!, true)} to {shown(highs.at(-1)!, true)}
      </text>
    </svg>
  );
}
