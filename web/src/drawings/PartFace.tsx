import type { Schemas } from '../api/client';

type Face = Schemas['Face'];

const WIDE = 460;
const TALL = 230;
const EDGE = 22;
const SEEN: Record<string, string> = { right: 'on its right end', left: 'on its left end' };

/** A part seen on a side it is drilled or milled in, to scale; a block's sizes are counted from the marked corner. */
export function PartFace({ face, label }: { face: Face; label: string }) {
  const scale = Math.min((WIDE - 2 * EDGE) / face.wide, (TALL - 2 * EDGE) / face.high);
  const [left, low] = [WIDE / 2 - (face.wide / 2) * scale, TALL / 2 + (face.high / 2) * scale];
  const [nought, floor] = face.turned ? [WIDE / 2, TALL / 2] : [left, low];
  const x = (mm: number) => nought + mm * scale;
  const y = (mm: number) => floor - mm * scale;
  const made = (now: boolean) => (now ? 'fill-mark-wash stroke-mark' : 'fill-paper stroke-ink');
  return (
    <figure>
      <svg viewBox={`0 0 ${WIDE} ${TALL}`} role="img" aria-label={label} className="w-full" data-scale={scale}>
        {!face.turned && (
          <rect
            x={left}
            y={low - face.high * scale}
            width={face.wide * scale}
            height={face.high * scale}
            className="fill-card stroke-ink"
            strokeWidth={1.2}
          />
        )}
        {face.corners.map((one) => (
          <polygon
            key={one.feature}
            points={one.at.map(([along, up]) => `${x(along)},${y(up)}`).join(' ')}
            className={made(one.now)}
            strokeWidth={one.now ? 2.2 : 1.2}
            data-feature={one.feature}
          />
        ))}
        {face.rings.map((one, n) => (
          <g key={n} className={n === 0 && face.turned ? 'fill-card stroke-ink' : made(one.now)}>
            <circle
              cx={x(one.x)}
              cy={y(one.y)}
              r={one.radius * scale}
              fillOpacity={face.corners.length > 0 && one.x === 0 && one.y === 0 ? 0.2 : 1}
              strokeWidth={one.now ? 2.2 : 1.2}
              data-feature={one.feature}
            />
            {one.screwed > 0 && (
              <circle
                cx={x(one.x)}
                cy={y(one.y)}
                r={one.screwed * scale}
                fill="none"
                strokeDasharray="5 3"
                strokeWidth={1.2}
              />
            )}
          </g>
        ))}
        {face.turned ? (
          <path
            d={`M${x(0)} 8V${TALL - 8}M${x(0) - TALL / 2} ${y(0)}h${TALL}`}
            className="stroke-mark"
            strokeDasharray="14 4 3 4"
          />
        ) : (
          <path
            d={`M${left - 12} ${low}h24M${left} ${low - 12}v24`}
            className="stroke-mark"
            strokeWidth={2.5}
            aria-label="Nought"
          />
        )}
      </svg>
      <figcaption className="text-center text-soft">
        Seen {SEEN[face.side] ?? `from the ${face.side}`}
        {!face.turned && ', sizes from the marked corner'}
        {face.unplaced.length > 0 && `. No place is told for ${face.unplaced.join(', ')}`}
      </figcaption>
    </figure>
  );
}
