export interface One {
  name: string;
  mm: number;
  /** As the page writes it. */
  shown: string;
}

interface Props {
  label: string;
  pairs: { hole: One; shaft: One }[];
  /** Left over. */
  holes: One[];
  shafts: One[];
}

const WIDE = 420;
const TALL = 300;
const LEFT = 120;
const RIGHT = 300;

/** Holes on the left and shafts on the right by their size, each pair joined, the rest alone. */
export function Pairing({ label, pairs, holes, shafts }: Props) {
  const left = [...pairs.map((pair) => pair.hole), ...holes];
  const right = [...pairs.map((pair) => pair.shaft), ...shafts];
  const scale = (row: One[]) => {
    const sizes = row.map((one) => one.mm);
    const [low, high] = [Math.min(...sizes), Math.max(...sizes)];
    return (mm: number) => 44 + ((high - mm) / (high - low || 1)) * (TALL - 70);
  };
  const [of, on] = [scale(left), scale(right)];
  const named = left.length + right.length <= 28;
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL}`} role="img" aria-label={label} className="w-full">
      <text x={LEFT} y={18} textAnchor="middle" className="fill-ink text-[16px] font-semibold">
        holes
      </text>
      <text x={RIGHT} y={18} textAnchor="middle" className="fill-ink text-[16px] font-semibold">
        shafts
      </text>
      {pairs.map(({ hole, shaft }, n) => (
        <path
          key={n}
          d={`M${LEFT + 6} ${of(hole.mm)}L${RIGHT - 6} ${on(shaft.mm)}`}
          className="stroke-mark"
          strokeWidth={2}
        />
      ))}
      <Row row={left} at={LEFT} y={of} named={named} alone={holes} end="end" />
      <Row row={right} at={RIGHT} y={on} named={named} alone={shafts} end="start" />
    </svg>
  );
}

interface RowProps {
  row: One[];
  at: number;
  y: (mm: number) => number;
  named: boolean;
  alone: One[];
  end: 'start' | 'end';
}

function Row({ row, at, y, named, alone, end }: RowProps) {
  let last = -100;
  return (
    <>
      {[...row]
        .sort((one, other) => other.mm - one.mm)
        .map((one, n) => {
          // Names that would lie on each other are pushed apart.
          const text = Math.max(y(one.mm) + 5, last + 17);
          last = text;
          return (
            <g key={n}>
              <circle
                cx={at}
                cy={y(one.mm)}
                r={5}
                className={alone.includes(one) ? 'fill-straw stroke-straw-edge' : 'fill-mark-wash stroke-mark'}
                strokeWidth={1.5}
              />
              {named && (
                <text x={at + (end === 'end' ? -14 : 14)} y={text} textAnchor={end} className="fill-ink text-[15px]">
                  {/* The number stands by its dot on either side, the name beyond it. */}
                  {end === 'end' && <tspan>{called(one.name)}</tspan>}
                  <tspan className="figures" dx={end === 'end' ? 8 : 0}>
                    {one.shown}
                  </tspan>
                  {end === 'start' && <tspan dx="8">{called(one.name)}</tspan>}
                </text>
              )}
            </g>
          );
        })}
    </>
  );
}

const MOST = 8;

/** As much of a name as there is room for. */
function called(name: string): string {
  if (/^\d+$/.test(name)) return `no. ${name}`;
  return name.length > MOST ? `${name.slice(0, MOST - 1)}…` : name;
}
