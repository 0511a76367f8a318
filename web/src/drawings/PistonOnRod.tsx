interface Props {
  label: string;
  bore: number;
  long: number;
  rod?: { across: number; recess: number };
  grooves?: { count: number; wide: number; deep: number };
}

const NONE = { count: 0, wide: 0, deep: 0 };

const WIDE = 420;
const TALL = 250;

/** A piston in its bore, and on its rod where one is known, cut through, to scale. */
export function PistonOnRod({ label, bore, long, rod, grooves = NONE }: Props) {
  const whole = long * 2.2;
  const scale = Math.min((WIDE - 20) / whole, (TALL - 40) / bore);
  const x = (mm: number) => 10 + mm * scale;
  const y = (mm: number) => TALL / 2 - mm * scale;
  const from = long * 0.3;
  const pitch = long / (grooves.count + 1);
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL}`} role="img" aria-label={label} className="w-full">
      <path
        d={`M10 ${y(bore / 2)}H${x(whole)}M10 ${y(-bore / 2)}H${x(whole)}`}
        className="stroke-ink"
        strokeWidth={3}
      />
      <path
        d={outline({ x, y, from, long, bore, grooves, pitch })}
        className="fill-mark-wash stroke-mark"
        strokeWidth={2}
      />
      {rod && <Rod {...rod} x={x} y={y} from={from} long={long} whole={whole} scale={scale} />}
      <path d={`M4 ${y(0)}H${WIDE - 4}`} className="stroke-ink" strokeWidth={1} strokeDasharray="10 3 2 3" />
    </svg>
  );
}

interface RodIn {
  across: number;
  recess: number;
  x: (mm: number) => number;
  y: (mm: number) => number;
  from: number;
  long: number;
  whole: number;
  scale: number;
}

/** The rod in its recess and, dashed, screwed on through the piston. */
function Rod({ across, recess, x, y, from, long, whole, scale }: RodIn) {
  const seat = Math.max(across / 6, long * 0.06);
  return (
    <>
      <rect
        x={x(from + long - seat)}
        y={y(recess / 2)}
        width={seat * scale}
        height={recess * scale}
        className="fill-card stroke-mark"
        strokeWidth={1.5}
      />
      <rect
        x={x(from + long - seat)}
        y={y(across / 2)}
        width={x(whole) - x(from + long - seat)}
        height={across * scale}
        className="fill-straw stroke-straw-edge"
        strokeWidth={2}
      />
      <rect
        x={x(from)}
        y={y(across * 0.38)}
        width={(long - seat) * scale}
        height={across * 0.76 * scale}
        className="fill-straw stroke-straw-edge"
        strokeWidth={1.5}
        strokeDasharray="4 3"
      />
    </>
  );
}

interface Outline extends Required<Pick<Props, 'bore' | 'long' | 'grooves'>> {
  x: (mm: number) => number;
  y: (mm: number) => number;
  from: number;
  pitch: number;
}

/** The outside of the piston, in and out of its grooves, above and below. */
function outline({ x, y, from, long, bore, grooves, pitch }: Outline): string {
  const side = (up: 1 | -1) => {
    const r = (up * bore) / 2;
    const floor = up * (bore / 2 - grooves.deep);
    const points: [number, number][] = [[from, r]];
    for (let n = 1; n <= grooves.count; n += 1) {
      const at = from + n * pitch - grooves.wide / 2;
      points.push([at, r], [at, floor], [at + grooves.wide, floor], [at + grooves.wide, r]);
    }
    points.push([from + long, r]);
    return points.map(([mm, height]) => `${x(mm).toFixed(1)} ${y(height * 0.994).toFixed(1)}`);
  };
  return `M${[...side(1), ...side(-1).reverse()].join('L')}Z`;
}
