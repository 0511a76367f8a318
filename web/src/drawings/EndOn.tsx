interface Props {
  label: string;
  /** Diameter of the bar, which fills the drawing. */
  bar: number;
  /** Flats this far across, so many of them. */
  flats?: { across: number; count: number };
  /** A keyway from the top: its width, and how far down it goes. */
  slot?: { width: number; deep: number };
}

const SIZE = 250;
const MIDDLE = SIZE / 2;
const R = 96;

/** A bar seen on its end, what is cut off it hatched away, to scale. */
export function EndOn({ label, bar, flats, slot }: Props) {
  const scale = (2 * R) / bar;
  return (
    <svg viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={label} className="mx-auto block w-full max-w-80">
      <circle cx={MIDDLE} cy={MIDDLE} r={R} className="fill-none stroke-ink" strokeWidth={1.5} strokeDasharray="5 4" />
      {flats && <path d={flatted((flats.across * scale) / 2, flats.count)} className={LOOK} strokeWidth={2} />}
      {slot && <path d={keyed((slot.width * scale) / 2, slot.deep * scale)} className={LOOK} strokeWidth={2} />}
      <path d={`M${MIDDLE - 8} ${MIDDLE}h16M${MIDDLE} ${MIDDLE - 8}v16`} className="stroke-ink" strokeWidth={1} />
    </svg>
  );
}

const LOOK = 'fill-mark-wash stroke-mark';

/** The bar with its flats: straight where one is cut, round between where corners do not come sharp. */
function flatted(half: number, count: number): string {
  const steps = 360;
  const points = Array.from({ length: steps }, (_, n) => {
    const angle = (n / steps) * 2 * Math.PI;
    const facing = Math.max(
      ...Array.from({ length: count }, (_, at) => Math.cos(angle - Math.PI / 2 - (at / count) * 2 * Math.PI)),
    );
    const r = Math.min(R, facing > 0 ? half / facing : R);
    return `${(MIDDLE + r * Math.cos(angle)).toFixed(2)} ${(MIDDLE - r * Math.sin(angle)).toFixed(2)}`;
  });
  return `M${points.join('L')}Z`;
}

/** The bar with a slot down from its top. */
function keyed(half: number, deep: number): string {
  const top = MIDDLE - Math.sqrt(Math.max(R * R - half * half, 0));
  const floor = MIDDLE - R + deep;
  return `M${MIDDLE + half} ${top}A${R} ${R} 0 1 1 ${MIDDLE - half} ${top}V${floor}H${MIDDLE + half}Z`;
}
