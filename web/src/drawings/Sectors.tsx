interface Sector {
  /** Degrees from the top, turning right. */
  from: number;
  to: number;
  look: 'metal' | 'weight';
}

interface Props {
  label: string;
  outside: number;
  inside: number;
  sectors: Sector[];
  /** A web from the middle of the shaft to its pin, upwards. */
  web?: { throw: number; wide: number; beyond: number; pin: number };
}

const SIZE = 300;
const MIDDLE = SIZE / 2;
const LOOKS = { metal: 'fill-mark-wash stroke-mark', weight: 'fill-straw stroke-straw-edge' };

/** Pieces of a ring round a shaft, seen on the end: the dogs of a clutch, a crank's counterweight. */
export function Sectors({ label, outside, inside, sectors, web }: Props) {
  const widest = Math.max(outside / 2, web ? web.throw + web.beyond : 0);
  const scale = (MIDDLE - 14) / widest;
  return (
    <svg viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={label} className="mx-auto block w-full max-w-80">
      <circle
        cx={MIDDLE}
        cy={MIDDLE}
        r={(outside / 2) * scale}
        className="fill-none stroke-soft"
        strokeDasharray="4 4"
      />
      {sectors.map((sector, n) => (
        <path
          key={n}
          d={piece((outside / 2) * scale, (inside / 2) * scale, sector.from, sector.to)}
          className={LOOKS[sector.look]}
          strokeWidth={2}
        />
      ))}
      {web && (
        <>
          <rect
            x={MIDDLE - (web.wide / 2) * scale}
            y={MIDDLE - (web.throw + web.beyond) * scale}
            width={web.wide * scale}
            height={(web.throw + 2 * web.beyond) * scale}
            className="fill-mark-wash stroke-mark"
            fillOpacity={0.7}
            strokeWidth={2}
          />
          <circle
            cx={MIDDLE}
            cy={MIDDLE - web.throw * scale}
            r={(web.pin / 2) * scale}
            className="fill-none stroke-ink"
            strokeWidth={2}
          />
        </>
      )}
      <path d={`M${MIDDLE - 8} ${MIDDLE}h16M${MIDDLE} ${MIDDLE - 8}v16`} className="stroke-ink" strokeWidth={1.5} />
    </svg>
  );
}

function piece(outer: number, inner: number, from: number, to: number): string {
  const at = (r: number, degrees: number) => {
    const angle = (degrees * Math.PI) / 180;
    return `${(MIDDLE + r * Math.sin(angle)).toFixed(2)} ${(MIDDLE - r * Math.cos(angle)).toFixed(2)}`;
  };
  const large = to - from > 180 ? 1 : 0;
  return `M${at(outer, from)}A${outer} ${outer} 0 ${large} 1 ${at(outer, to)}L${at(inner, to)}A${inner} ${inner} 0 ${large} 0 ${at(inner, from)}Z`;
}
