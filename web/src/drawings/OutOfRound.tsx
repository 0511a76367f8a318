interface Props {
  label: string;
  bar: number;
  /** 4 or 6. */
  sides: number;
  across: number;
  /** Of a rectangle, its other side. */
  other?: number;
  off: string;
}

const SIZE = 330;
const MIDDLE = SIZE / 2;

/** A section within the round it is cut from; what comes off is shaded. */
export function OutOfRound({ label, bar, sides, across, other, off }: Props) {
  const scale = (MIDDLE - 14) / (bar / 2);
  const half = (across / 2) * scale;
  const points =
    sides === 6
      ? Array.from({ length: 6 }, (_, n): [number, number] => {
          const out = half / Math.cos(Math.PI / 6);
          return [MIDDLE + out * Math.cos((n * Math.PI) / 3), MIDDLE + out * Math.sin((n * Math.PI) / 3)];
        })
      : corners(half, ((other ?? across) / 2) * scale);
  return (
    <svg viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={label} className="mx-auto block w-full max-w-88">
      <circle cx={MIDDLE} cy={MIDDLE} r={(bar / 2) * scale} className="fill-straw stroke-straw-edge" strokeWidth="2" />
      <polygon points={points.map((p) => p.join(',')).join(' ')} className="fill-card stroke-ink" strokeWidth="2" />
      <text x={MIDDLE} y={MIDDLE + 6} textAnchor="middle" className="figures fill-ink text-[20px] font-bold">
        {off}
      </text>
      <text x={MIDDLE} y={MIDDLE + 28} textAnchor="middle" className="fill-soft text-[16px]">
        off each side
      </text>
    </svg>
  );
}

function corners(a: number, b: number): [number, number][] {
  return [
    [MIDDLE - b, MIDDLE - a],
    [MIDDLE + b, MIDDLE - a],
    [MIDDLE + b, MIDDLE + a],
    [MIDDLE - b, MIDDLE + a],
  ];
}
