import type { Schemas } from '../api/client';

type Part = Schemas['StackPartWire'];

/** A sum drawn as its pieces, one on the other, to scale; what takes away points back. */
export function Stack({ parts, total }: { parts: Part[]; total: string }) {
  const ends = parts.reduce<number[]>((sums, part) => [...sums, (sums.at(-1) ?? 0) + part.mm.value], []);
  const all = [0, ...ends];
  const low = Math.min(...all);
  const span = Math.max(...all) - low || 1;
  const y = (mm: number) => 20 + ((mm - low) / span) * 300;
  return (
    <svg
      viewBox="0 0 380 350"
      role="img"
      aria-label={`${parts.map((p) => `${p.label} ${p.mm.shown}`).join(', ')}; in all ${total}`}
      className="w-full">
      {parts.map((part, n) => {
        const from = y(all[n]!);
        const to = y(all[n + 1]!);
        const x = 20 + n * 26;
        return (
          <g key={part.label}>
            <path
              d={`M${x} ${from}V${to}`}
              strokeWidth="14"
              className={part.mm.value < 0 ? 'stroke-straw-edge' : n % 2 ? 'stroke-mark' : 'stroke-ink'}
            />
            <path
              d={`M${x - 12} ${to}h${40 + (parts.length - n) * 26}`}
              className="stroke-soft"
              strokeDasharray="3 4"
            />
            <text x={40 + parts.length * 26} y={spread(all, n, y)} className="fill-ink text-[16px]">
              {part.label} <tspan className="figures font-bold">{part.mm.shown}</tspan>
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** The middle of a piece, pushed down where the label above is too near. */
function spread(all: number[], n: number, y: (mm: number) => number): number {
  let at = -20;
  for (let k = 0; k <= n; k += 1) at = Math.max((y(all[k]!) + y(all[k + 1]!)) / 2 + 5, at + 22);
  return at;
}
