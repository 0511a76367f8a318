import type { Schemas } from '../api/client';

type Answer = Schemas['StudAnswerWire'];

const WIDE = 380;
const TALL = 360;
const AXIS = 110;

/** A stud standing in its metal with all it holds, to scale. */
export function StudStack({ answer }: { answer: Answer }) {
  // Only how far it goes in was asked: there is nothing to stand it against.
  if (!answer.length_mm || !answer.nut_end_mm) return null;
  const length = answer.length_mm.value;
  const half = answer.major_mm.value / 2;
  const flats = answer.nut_flats_mm.value / 2;
  const scale = Math.min((TALL - 60) / (length * 1.15), 90 / flats);
  const floor = 20 + length * scale;
  const y = (mm: number) => floor - mm * scale;
  const ends = answer.parts.reduce<number[]>((sums, part) => [...sums, (sums.at(-1) ?? 0) + part.mm.value], []);
  const places = answer.parts.map((part, n) => ({ part, from: ends[n]! - part.mm.value, to: ends[n]! }));
  const threads: [number, number][] = [
    [0, answer.engaged_mm.value],
    [length - answer.nut_end_mm.value, length],
  ];
  // Each part's label stands beside its middle, or a line above the one below it.
  const labels = places.reduce<number[]>((above, { from, to }) => {
    const middle = y((from + to) / 2) + 5;
    return [...above, Math.min(middle, (above.at(-1) ?? TALL) - 21)];
  }, []);
  return (
    <figure>
      <figcaption className="text-xl font-semibold">The stud in its place, to scale</figcaption>
      <svg
        viewBox={`0 0 ${WIDE} ${floor + 40}`}
        role="img"
        aria-label={`A stud ${answer.length_mm.shown} long: ${answer.parts.map((p) => `${p.label} ${p.mm.shown}`).join(', ')}`}
        className="w-full">
        {places.map(({ part, from, to }) => (
          <g key={part.label}>
            {part.label === 'in the metal' && (
              <rect x="4" y={y(to)} width="212" height={floor - y(to) + 36} className="fill-line stroke-ink" />
            )}
            {['gasket', 'cover'].includes(part.label) && (
              <rect
                x="4"
                y={y(to)}
                width="212"
                height={(to - from) * scale}
                className={`stroke-ink ${part.label === 'gasket' ? 'fill-straw-edge' : 'fill-card'}`}
              />
            )}
            {['washer', 'nut'].includes(part.label) && (
              <rect
                x={AXIS - flats * scale}
                y={y(to)}
                width={2 * flats * scale}
                height={(to - from) * scale}
                className="fill-mark-wash stroke-ink"
              />
            )}
          </g>
        ))}
        <rect
          x={AXIS - half * scale}
          y={y(length)}
          width={2 * half * scale}
          height={length * scale}
          className="fill-card stroke-ink"
          strokeWidth="2"
        />
        {threads.map(([from, to]) => (
          <rect
            key={from}
            x={AXIS - half * scale}
            y={y(to)}
            width={2 * half * scale}
            height={(to - from) * scale}
            className="fill-mark stroke-ink"
            fillOpacity="0.35"
          />
        ))}
        {places.map(({ part, from, to }, n) => {
          const label = labels[n]!;
          return (
            <g key={part.label}>
              <path d={`M218 ${y((from + to) / 2)}L232 ${label - 5}`} className="stroke-soft" />
              <text x="238" y={label} className="fill-ink text-[16px]">
                {part.label} <tspan className="figures font-bold">{part.mm.shown}</tspan>
              </text>
            </g>
          );
        })}
      </svg>
      <p className="text-soft">Shaded: its two threads.</p>
    </figure>
  );
}
