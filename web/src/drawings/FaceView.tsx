export interface FaceHole {
  name: string;
  x: number;
  y: number;
  done?: boolean;
}

interface Props {
  label: string;
  holes: FaceHole[];
  /** Diameter of each; a cross alone where it is not told. */
  hole: number;
  middle: { x: number; y: number };
  circle?: number;
  bore?: number;
  rim?: number;
  /** A square face, from its corner. */
  face?: { wide: number; high: number };
  /** What is kept clear: its direction and how wide it is. */
  clear?: { name: string; deg: number; wide: number }[];
  /** Name of the hole that is next. */
  next?: string;
}

const WIDE = 400;
const NAMED = 40;

/** A face from above, to scale: where each hole lies from the nought, and what lies about it. */
export function FaceView({ label, holes, hole, middle, circle, bore, rim, face, clear = [], next }: Props) {
  // Names stand outside the rim.
  const EDGE = clear.length > 0 ? 70 : 34;
  const [left, right, low, high] = reach({ holes, hole, middle, circle, bore, rim, face });
  const scale = (WIDE - 2 * EDGE) / Math.max(right - left, high - low, 1e-6);
  const tall = (high - low) * scale + 2 * EDGE;
  const x = (mm: number) => EDGE + (mm - left) * scale + (WIDE - 2 * EDGE - (right - left) * scale) / 2;
  const y = (mm: number) => tall - EDGE - (mm - low) * scale;
  const r = (mm: number) => (mm / 2) * scale;
  const out = Math.max(rim ?? 0, (circle ?? 0) * 1.25) / 2;
  const small = holes.length > NAMED;
  const radius = Math.max(r(hole), small ? 1.5 : 5);
  return (
    <svg viewBox={`0 0 ${WIDE} ${Math.max(tall, 90)}`} role="img" aria-label={label} className="w-full">
      {face && (
        <rect
          x={x(0)}
          y={y(face.high)}
          width={face.wide * scale}
          height={face.high * scale}
          className="fill-line stroke-ink"
          fillOpacity="0.45"
          strokeWidth="2"
        />
      )}
      {rim && (
        <circle
          cx={x(middle.x)}
          cy={y(middle.y)}
          r={r(rim)}
          className="fill-line stroke-ink"
          fillOpacity="0.45"
          strokeWidth="2"
        />
      )}
      {clear.map((one) => {
        const [cos, sin] = [Math.cos((one.deg * Math.PI) / 180), Math.sin((one.deg * Math.PI) / 180)];
        const end = { x: x(middle.x + out * cos), y: y(middle.y + out * sin) };
        return (
          <g key={`${one.name} ${one.deg}`}>
            <path
              d={`M${x(middle.x)} ${y(middle.y)}L${end.x} ${end.y}`}
              className="stroke-straw-edge"
              strokeOpacity="0.55"
              strokeWidth={Math.max(one.wide * scale, 2)}
            />
            <text
              x={end.x + 8 * cos}
              y={end.y - 12 * sin + 5}
              textAnchor={Math.abs(cos) < 0.4 ? 'middle' : cos > 0 ? 'start' : 'end'}
              className="fill-ink text-[15px]">
              {one.name}
            </text>
          </g>
        );
      })}
      {bore && (
        <circle cx={x(middle.x)} cy={y(middle.y)} r={r(bore)} className="fill-card stroke-ink" strokeWidth="2" />
      )}
      {circle && (
        <circle
          cx={x(middle.x)}
          cy={y(middle.y)}
          r={r(circle)}
          fill="none"
          className="stroke-soft"
          strokeDasharray="12 4 3 4"
        />
      )}
      <path
        d={`M${x(0)} ${y(low) + EDGE - 8}V${y(high) - EDGE + 22}M${x(left) - EDGE + 8} ${y(0)}H${x(right) + EDGE - 22}`}
        className="stroke-mark"
        strokeWidth="1.4"
        strokeDasharray="14 4 3 4"
      />
      <text x={x(right) + EDGE - 16} y={y(0) + 5} className="fill-mark text-[16px] font-semibold">
        x
      </text>
      <text x={x(0)} y={y(high) - EDGE + 16} textAnchor="middle" className="fill-mark text-[16px] font-semibold">
        y
      </text>
      <circle cx={x(0)} cy={y(0)} r="4" className="fill-mark" />
      {holes.map((one) => (
        <g key={one.name}>
          <circle
            cx={x(one.x)}
            cy={y(one.y)}
            r={radius}
            className={`stroke-ink ${one.name === next ? 'fill-mark' : one.done ? 'fill-soft' : 'fill-card'}`}
            strokeWidth={small ? 0.6 : 1.8}
          />
          {!small && (
            <text
              x={x(one.x) + namedAt(one.x - middle.x, radius)}
              y={y(one.y) - namedAt(one.y - middle.y, radius) + 5}
              textAnchor="middle"
              paintOrder="stroke"
              strokeWidth="4"
              className="figures fill-ink stroke-card text-[16px] font-bold">
              {one.name}
            </text>
          )}
        </g>
      ))}
    </svg>
  );
}

/** A hole's number stands outside it, away from the middle. */
function namedAt(off: number, radius: number): number {
  return off === 0 ? 0 : Math.sign(off) * (radius + 10) * 0.8;
}

function reach({
  holes,
  hole,
  middle,
  circle,
  bore,
  rim,
  face,
}: Omit<Props, 'label'>): [number, number, number, number] {
  const round = Math.max(rim ?? 0, circle ? circle + hole : 0, bore ?? 0) / 2;
  const xs = [0, middle.x - round, middle.x + round, ...holes.flatMap((h) => [h.x - hole / 2, h.x + hole / 2])];
  const ys = [0, middle.y - round, middle.y + round, ...holes.flatMap((h) => [h.y - hole / 2, h.y + hole / 2])];
  if (face) {
    xs.push(face.wide);
    ys.push(face.high);
  }
  return [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
}
