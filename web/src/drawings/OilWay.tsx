interface Props {
  label: string;
  /** From the start to the end: along the face, and square to it. */
  along: number;
  deep: number;
  drill: number;
  /** Another bore seen on its end, or a corner where it has no diameter. */
  other?: { along: number; deep: number; dia: number };
  wall: string;
}

const SIZE = 300;

/** A passage from a face down into the work, and what it passes, to scale. */
export function OilWay({ label, along, deep, drill, other, wall }: Props) {
  const points = [
    [0, 0],
    [along, deep],
    ...(other
      ? [
          [other.along - other.dia / 2, other.deep - other.dia / 2],
          [other.along + other.dia / 2, other.deep + other.dia / 2],
        ]
      : []),
  ];
  const xs = points.map((point) => point[0]!);
  const ys = points.map((point) => point[1]!);
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const scale = (SIZE - 80) / Math.max(Math.max(...xs) - left, Math.max(...ys) - top, drill);
  const x = (mm: number) => 40 + (mm - left) * scale;
  const y = (mm: number) => 40 + (mm - top) * scale;
  return (
    <svg viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={label} className="mx-auto block w-full max-w-80">
      <path d={`M6 ${y(0)}H${SIZE - 6}`} className="stroke-ink" strokeWidth={2} />
      <path
        d={`M${x(0)} ${y(0)}L${x(along)} ${y(deep)}`}
        className="stroke-mark"
        strokeWidth={Math.max(drill * scale, 2)}
        strokeOpacity={0.35}
      />
      <path
        d={`M${x(0)} ${y(0)}L${x(along)} ${y(deep)}`}
        className="stroke-ink"
        strokeWidth={1}
        strokeDasharray="8 3 2 3"
      />
      {other && (
        <circle
          cx={x(other.along)}
          cy={y(other.deep)}
          r={Math.max((other.dia / 2) * scale, 4)}
          className="fill-straw stroke-straw-edge"
          strokeWidth={1.5}
        />
      )}
      <text x={SIZE - 8} y={y(0) - 8} textAnchor="end" className="fill-soft text-[15px]">
        along →
      </text>
      <text x={8} y={Math.min(y(0) + 26, SIZE - 30)} className="fill-soft text-[15px]">
        deep ↓
      </text>
      {wall && (
        <text x={SIZE - 8} y={SIZE - 8} textAnchor="end" className="figures fill-ink text-[16px] font-semibold">
          {wall} left
        </text>
      )}
    </svg>
  );
}
