interface Props {
  label: string;
  teeth: number;
  tooth: { x: number[]; y: number[] };
  pitch: number;
  mate?: { teeth: number; tooth: { x: number[]; y: number[] }; pitch: number; centres: number };
}

const WIDE = 400;
const MOST = 420;
const EDGE = 10;

/** A wheel with its mate above it, tooth in gap, each tooth the involute it is cut to. */
export function GearMesh({ label, teeth, tooth, pitch, mate }: Props) {
  const own = Math.max(...tooth.y);
  const other = mate ? Math.max(...mate.tooth.y) : 0;
  const wide = 2 * Math.max(own, other);
  const tall = mate ? own + mate.centres + other : 2 * own;
  const scale = Math.min((WIDE - 2 * EDGE) / wide, (MOST - 2 * EDGE) / tall);
  const height = tall * scale + 2 * EDGE;
  const middle = WIDE / 2;
  const low = height - EDGE - own * scale;
  return (
    <svg viewBox={`0 0 ${WIDE} ${height}`} role="img" aria-label={label} className="w-full">
      {mate && (
        // Its gap stands on the tooth that points up.
        <Wheel
          path={outline(mate.tooth, mate.teeth, scale)}
          at={[middle, low - mate.centres * scale]}
          turn={180 + 180 / mate.teeth}
          pitch={(mate.pitch / 2) * scale}
          look="fill-mark-wash"
        />
      )}
      <Wheel
        path={outline(tooth, teeth, scale)}
        at={[middle, low]}
        turn={0}
        pitch={(pitch / 2) * scale}
        look="fill-line"
      />
    </svg>
  );
}

interface WheelProps {
  path: string;
  at: [number, number];
  turn: number;
  pitch: number;
  look: string;
}

function Wheel({ path, at, turn, pitch, look }: WheelProps) {
  return (
    <g transform={`translate(${at[0]} ${at[1]})`}>
      <path d={path} transform={`rotate(${turn})`} className={`${look} stroke-ink`} strokeWidth="1.4" />
      <circle r={pitch} fill="none" className="stroke-mark" strokeDasharray="12 4 3 4" />
      <path d="M-6 0H6M0 -6V6" className="stroke-ink" />
    </g>
  );
}

/** The whole outline: one tooth turned again and again. */
function outline({ x, y }: { x: number[]; y: number[] }, teeth: number, scale: number): string {
  const points: string[] = [];
  for (let n = 0; n < teeth; n++) {
    const angle = (2 * Math.PI * n) / teeth;
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    // The tooth's own points run from its right to its left; round the wheel they follow on so.
    for (let k = 0; k < x.length; k++) {
      points.push(`${((x[k]! * c - y[k]! * s) * scale).toFixed(2)} ${(-(x[k]! * s + y[k]! * c) * scale).toFixed(2)}`);
    }
  }
  return `M${points.join('L')}Z`;
}
