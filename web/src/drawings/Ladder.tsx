export interface Mark {
  mm: number;
  /** As it is written beside it. */
  shown: string;
}

export interface Column {
  name: string;
  look: 'hole' | 'shaft';
  /** Between which it may lie. */
  zone?: [Mark, Mark];
  /** What was read. */
  ticks?: Mark[];
}

interface Props {
  columns: [Column, Column];
  /** What the drawing says to somebody who does not see it. */
  label: string;
  nominal?: Mark;
}

const WIDE = 420;
const TALL = 360;
const EDGE = 40;
const BAR = 92;
const LOOK = { hole: 'fill-mark-wash stroke-mark', shaft: 'fill-straw stroke-straw-edge' };
/** A reading so many zones away is drawn at the edge: the zones stay legible. */
const FAR = 2.5;

/** The zones of hole and shaft to one scale, what was read as ticks on them. */
export function Ladder({ columns, label, nominal }: Props) {
  // What is fixed makes the scale: zones, and what was read on a part that has none.
  const fixed = columns.flatMap((one) => one.zone ?? one.ticks ?? []);
  const core = nominal ? [...fixed, nominal] : fixed;
  const near = [Math.min(...core.map((mark) => mark.mm)), Math.max(...core.map((mark) => mark.mm))] as const;
  const room = Math.max((near[1] - near[0]) * FAR, 0.002);
  const every = [...core, ...columns.flatMap((column) => column.ticks ?? [])]
    .map((mark) => mark.mm)
    .filter((mm) => mm > near[0] - room && mm < near[1] + room);
  const top = Math.max(...every);
  const bottom = Math.min(...every);
  const y = (mm: number) =>
    Math.min(Math.max(EDGE + ((top - mm) / (top - bottom || 1)) * (TALL - 2 * EDGE), EDGE - 14), TALL - EDGE + 14);
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL}`} role="img" aria-label={label} className="w-full">
      {nominal && (
        <>
          <line x1={16} x2={WIDE - 16} y1={y(nominal.mm)} y2={y(nominal.mm)} className="stroke-ink" strokeWidth={2} />
          <text x={WIDE / 2} y={y(nominal.mm) + 17} textAnchor="middle" className="fill-soft text-[14px]">
            nominal {nominal.shown}
          </text>
        </>
      )}
      {columns.map((column, n) => (
        <One
          key={column.name}
          column={column}
          x={n ? 236 : 30}
          y={y}
          line={nominal && y(nominal.mm)}
          gone={(mm) => (mm > top ? 1 : mm < bottom ? -1 : 0)}
        />
      ))}
    </svg>
  );
}

interface OneProps {
  column: Column;
  x: number;
  y: (mm: number) => number;
  /** Whether a size lies over the top of the drawing, under its foot, or on it. */
  gone: (mm: number) => 1 | 0 | -1;
  /** Where the nominal's line runs. */
  line?: number;
}

function One({ column, x, y, gone, line }: OneProps) {
  const { zone, ticks = [] } = column;
  const kept = spread([...(zone ?? []), ...thinned(ticks)]);
  return (
    <g>
      <text x={x + BAR / 2} y={16} textAnchor="middle" className="fill-ink text-[15px] font-semibold">
        {column.name}
      </text>
      {zone && (
        <rect
          x={x}
          y={y(zone[1].mm)}
          width={BAR}
          height={Math.max(y(zone[0].mm) - y(zone[1].mm), 3)}
          className={LOOK[column.look]}
          strokeWidth={1.5}
        />
      )}
      {ticks.map((tick, n) =>
        gone(tick.mm) ? (
          <path
            key={n}
            d={gone(tick.mm) > 0 ? `M${x + BAR / 2} 22l-9 12h18z` : `M${x + BAR / 2} ${TALL - 22}l-9 -12h18z`}
            className="fill-ink"
          />
        ) : (
          <path key={n} d={`M${x - 6} ${y(tick.mm)}h${BAR + 12}`} className="stroke-ink" strokeWidth={2.5} />
        ),
      )}
      {kept.map(({ mark, at, tick }, n) => (
        <text
          key={n}
          x={x + BAR + 9}
          y={at + 5}
          className={`figures text-[15px] font-semibold ${tick ? 'fill-ink' : 'fill-soft'}`}>
          {mark.shown}
        </text>
      ))}
    </g>
  );

  /** Labels from the top down, none nearer to the one above than a line of type, nor on the nominal. */
  function spread(marks: Mark[]) {
    return [...marks]
      .sort((a, b) => b.mm - a.mm)
      .filter((mark, n, every) => mark.shown !== every[n - 1]?.shown)
      .reduce<{ mark: Mark; at: number; tick: boolean }[]>((above, mark) => {
        const clear = line !== undefined && Math.abs(y(mark.mm) - line) < 10 ? line - 11 : y(mark.mm);
        const at = Math.max(clear, (above.at(-1)?.at ?? -Infinity) + 17);
        return [...above, { mark, at, tick: !zone?.includes(mark) }];
      }, []);
  }
}

/** The outermost readings speak for those between. */
function thinned(ticks: Mark[]): Mark[] {
  const sorted = [...ticks].sort((a, b) => a.mm - b.mm);
  return sorted.length > 2 ? [sorted[0]!, sorted.at(-1)!] : sorted;
}
