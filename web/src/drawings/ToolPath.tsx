import type { Schemas } from '../api/client';

type Traced = Schemas['Traced'];

const WIDE = 400;
const EDGE = 18;

/** What code would do, seen from above: fast moves dashed, cuts drawn out, holes as dots. */
export function ToolPath({ label, moves }: { label: string; moves: Traced[] }) {
  const xs = moves.flatMap((move) => [move.x, move.from_x]);
  const ys = moves.flatMap((move) => [move.y, move.from_y]);
  const [left, right] = [Math.min(0, ...xs), Math.max(0, ...xs)];
  const [low, high] = [Math.min(0, ...ys), Math.max(0, ...ys)];
  const scale = (WIDE - 2 * EDGE) / Math.max(right - left, high - low, 1e-6);
  const tall = (high - low) * scale + 2 * EDGE;
  const x = (mm: number) => EDGE + (mm - left) * scale;
  const y = (mm: number) => tall - EDGE - (mm - low) * scale;
  const fast = moves.filter((move) => move.does === 'rapid');
  const cut = moves.filter((move) => move.does === 'feed' || move.does === 'arc');
  const line = (move: Traced) => {
    const from = `M${x(move.from_x)} ${y(move.from_y)}`;
    if (move.does !== 'arc') return `${from}L${x(move.x)} ${y(move.y)}`;
    const b = move.bulge;
    const chord = Math.hypot(move.x - move.from_x, move.y - move.from_y);
    const radius = ((chord * (1 + b * b)) / (4 * Math.abs(b))) * scale;
    return `${from}A${radius} ${radius} 0 ${Math.abs(b) > 1 ? 1 : 0} ${b > 0 ? 0 : 1} ${x(move.x)} ${y(move.y)}`;
  };
  return (
    <svg viewBox={`0 0 ${WIDE} ${Math.max(tall, 60)}`} role="img" aria-label={label} className="w-full">
      <path d={fast.map(line).join('')} fill="none" className="stroke-soft" strokeDasharray="5 5" strokeWidth="1.2" />
      <path d={cut.map(line).join('')} fill="none" className="stroke-mark" strokeWidth="2.4" />
      {moves
        .filter((move) => move.does === 'drill')
        .map((move, n) => (
          <circle key={n} cx={x(move.x)} cy={y(move.y)} r={moves.length > 200 ? 1.5 : 5} className="fill-mark" />
        ))}
      <path d={`M${x(0) - 8} ${y(0)}H${x(0) + 8}M${x(0)} ${y(0) - 8}V${y(0) + 8}`} className="stroke-ink" />
    </svg>
  );
}
