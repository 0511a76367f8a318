interface Piece {
  name: string;
  from: number;
  to: number;
  shown: string;
}

interface Props {
  label: string;
  /** Where the wall, or the end of the room, stands. */
  wall: number;
  pieces: Piece[];
}

const WIDE = 400;
const EDGE = 22;
const ROW = 52;

/** What stands in a room, each on its own line, and the wall it must not touch. */
export function InTheRoom({ label, wall, pieces }: Props) {
  const most = Math.max(wall, ...pieces.map((piece) => piece.to));
  const x = (mm: number) => EDGE + (mm / most) * (WIDE - 2 * EDGE);
  const tall = 18 + pieces.length * ROW;
  return (
    <svg viewBox={`0 0 ${WIDE} ${tall + 8}`} role="img" aria-label={label} className="w-full">
      {pieces.map((piece, n) => {
        const y = 12 + n * ROW;
        const fouls = piece.to > wall + 1e-9;
        return (
          <g key={piece.name + String(n)}>
            <rect
              x={x(piece.from)}
              y={y + 20}
              width={Math.max(x(piece.to) - x(piece.from), 2)}
              height={20}
              className={fouls ? 'fill-stop stroke-stop-edge' : 'fill-mark-wash stroke-mark'}
              strokeWidth="1.8"
            />
            <text x={EDGE} y={y + 14} className="fill-ink text-[16px]">
              {piece.name} <tspan className="figures font-bold">{piece.shown}</tspan>
              {fouls && <tspan className="fill-stop-ink"> fouls</tspan>}
            </text>
          </g>
        );
      })}
      <path d={`M${x(wall)} 6V${tall}`} className="stroke-ink" strokeWidth="4" />
      <path d={`M${x(0)} 6V${tall}`} className="stroke-mark" strokeDasharray="12 4 3 4" />
    </svg>
  );
}
