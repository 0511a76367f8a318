interface Props {
  label: string;
  rod: number;
  box: number;
  deep: number;
  space: number;
  follower: number;
}

const WIDE = 400;
const TALL = 240;

/** A stuffing box with its cord and follower, cut through, to scale. */
export function StuffingBox({ label, rod, box, deep, space, follower }: Props) {
  const scale = Math.min((WIDE - 40) / (deep * 2), (TALL - 30) / (box * 1.6));
  const middle = TALL / 2;
  const [end, mouth] = [WIDE - 30 - deep * scale, WIDE - 30];
  const turns = Math.round(deep / space) - 1;
  const half = (mm: number) => (mm / 2) * scale;
  const sides = [-1, 1] as const;
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL}`} role="img" aria-label={label} className="w-full">
      {sides.map((side) => (
        <g key={side}>
          <rect
            x={10}
            y={side < 0 ? middle - half(box) - 24 : middle + half(box)}
            width={mouth - 10}
            height={24}
            className="fill-mark-wash stroke-mark"
            strokeWidth={1.5}
          />
          <rect
            x={10}
            y={side < 0 ? middle - half(box) : middle + half(rod)}
            width={end - 10}
            height={half(box) - half(rod)}
            className="fill-mark-wash stroke-mark"
            strokeWidth={1.5}
          />
          {Array.from({ length: turns }, (_, n) => (
            <circle
              key={n}
              cx={end + (n + 0.5) * space * scale}
              cy={middle + side * (half(rod) + (space / 2) * scale)}
              r={(space / 2) * scale * 0.94}
              className="fill-ink"
              fillOpacity={0.7}
            />
          ))}
          <rect
            x={end + turns * space * scale}
            y={side < 0 ? middle - half(follower) : middle + half(rod) + 1.5}
            width={space * scale + 24}
            height={half(follower) - half(rod) - 1.5}
            className="fill-straw stroke-straw-edge"
            strokeWidth={1.5}
          />
        </g>
      ))}
      <rect
        x={4}
        y={middle - half(rod)}
        width={WIDE - 8}
        height={2 * half(rod)}
        className="fill-card stroke-ink"
        strokeWidth={1.5}
      />
    </svg>
  );
}
