export interface Bent {
  x: number[];
  y: number[];
  bulge: number[];
}

interface Props {
  label: string;
  profile: Bent;
  path: Bent;
  cutter: number;
  /** Which move is looked at. */
  at?: number;
}

const WIDE = 400;
const EDGE = 16;

/** A profile with the way of the cutter's middle round it, and the cutter where it begins. */
export function ProfileView({ label, profile, path, cutter, at = 0 }: Props) {
  const points = [...spread(profile), ...spread(path)];
  const r = cutter / 2;
  const left = Math.min(...points.map(([x]) => x)) - r;
  const right = Math.max(...points.map(([x]) => x)) + r;
  const low = Math.min(...points.map(([, y]) => y)) - r;
  const high = Math.max(...points.map(([, y]) => y)) + r;
  const scale = Math.min((WIDE - 2 * EDGE) / (right - left), (WIDE - 2 * EDGE) / (high - low));
  const tall = (high - low) * scale + 2 * EDGE;
  const place = (x: number, y: number): [number, number] => [
    EDGE + (x - left) * scale,
    tall - EDGE - (y - low) * scale,
  ];
  const [sx, sy] = place(path.x[at] ?? 0, path.y[at] ?? 0);
  const [ox, oy] = place(0, 0);
  const middle = ox > 0 && ox < WIDE && oy > 0 && oy < tall;
  return (
    <svg viewBox={`0 0 ${WIDE} ${tall}`} role="img" aria-label={label} className="w-full">
      <path d={outline(profile, place, scale)} className="fill-line stroke-ink" fillOpacity="0.55" strokeWidth="2" />
      <path
        d={outline(path, place, scale)}
        fill="none"
        className="stroke-mark"
        strokeDasharray="12 4 3 4"
        strokeWidth="1.8"
      />
      {middle && <path d={`M${ox - 8} ${oy}H${ox + 8}M${ox} ${oy - 8}V${oy + 8}`} className="stroke-mark" />}
      <circle cx={sx} cy={sy} r={r * scale} className="fill-mark stroke-ink" fillOpacity="0.35" />
      <circle cx={sx} cy={sy} r="3.5" className="fill-ink" />
    </svg>
  );
}

/** Corners, and the middles of what is bent between them. */
function spread({ x, y, bulge }: Bent): [number, number][] {
  return x.flatMap((one, n): [number, number][] => {
    const b = bulge[n]!;
    const [ax, ay] = [one, y[n]!];
    const [bx, by] = [x[(n + 1) % x.length]!, y[(n + 1) % x.length]!];
    // The middle of an arc stands off its chord's middle by half the chord times the bulge.
    const mid: [number, number] = [(ax + bx) / 2 + ((by - ay) * b) / 2, (ay + by) / 2 - ((bx - ax) * b) / 2];
    return b ? [[ax, ay], mid] : [[ax, ay]];
  });
}

function outline({ x, y, bulge }: Bent, place: (x: number, y: number) => [number, number], scale: number): string {
  const out: string[] = [];
  for (let n = 0; n < x.length; n++) {
    const m = (n + 1) % x.length;
    const [ax, ay] = [x[n]!, y[n]!];
    const [bx, by] = [x[m]!, y[m]!];
    const [px, py] = place(ax, ay);
    if (n === 0) out.push(`M${px} ${py}`);
    const [qx, qy] = place(bx, by);
    const b = bulge[n]!;
    if (b === 0) out.push(`L${qx} ${qy}`);
    else {
      const chord = Math.hypot(bx - ax, by - ay);
      const radius = ((chord * (1 + b * b)) / (4 * Math.abs(b))) * scale;
      out.push(`A${radius} ${radius} 0 ${Math.abs(b) > 1 ? 1 : 0} ${b > 0 ? 0 : 1} ${qx} ${qy}`);
    }
  }
  return `${out.join('')}Z`;
}
