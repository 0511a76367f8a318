import { useId } from 'react';
import type { Schemas } from '../api/client';

const WIDE = 460;
const TALL = 250;
const EDGE = 26;

/** A turned part as it stands: cut through above the axis, seen from outside below it, to scale. */
export function HalfSection({ section, label }: { section: Schemas['Section']; label: string }) {
  const hatch = useId();
  const { slices, grips } = section;
  if (slices.length === 0) return null;
  const [first, last] = [slices[0]!.start, slices.at(-1)!.end];
  const ends = [first, last, ...grips.flatMap((one) => [one.start, one.end])];
  const [low, high] = [Math.min(...ends), Math.max(...ends)];
  const tallest = Math.max(...slices.map((one) => Math.max(one.top, one.bottom, one.right))) + (grips.length ? 5 : 0);
  const scale = Math.min((WIDE - 2 * EDGE) / (high - low), (TALL - 16) / (2 * tallest));
  const middle = TALL / 2;
  // The right end stands on the right: places along the axis are counted from there.
  const across = WIDE / 2 + ((low + high) / 2) * scale;
  const x = (mm: number) => across - mm * scale;
  const y = (mm: number) => middle - mm * scale;
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL}`} role="img" aria-label={label} className="w-full">
      <defs>
        <pattern id={hatch} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="7" className="stroke-ink" strokeWidth="1.4" strokeOpacity="0.55" />
        </pattern>
      </defs>
      {slices.map((one) => (
        <g key={one.start}>
          <polygon
            points={`${x(one.end)},${y(one.top)} ${x(one.start)},${y(one.right)} ${x(one.start)},${y(one.inner)} ${x(one.end)},${y(one.inner)}`}
            className={one.now ? 'fill-mark-wash' : 'fill-card'}
          />
          <polygon
            points={`${x(one.end)},${y(one.top)} ${x(one.start)},${y(one.right)} ${x(one.start)},${y(one.inner)} ${x(one.end)},${y(one.inner)}`}
            fill={`url(#${hatch})`}
            className={one.now ? 'stroke-mark' : 'stroke-ink'}
            strokeWidth={one.now ? 2.2 : 1.2}
            data-feature={one.feature}
          />
          <polygon
            // Where it is thrown the lower half stands nearer; where it tapers it does so on both sides.
            points={`${x(one.end)},${middle} ${x(one.start)},${middle} ${x(one.start)},${y(-Math.max(one.right - one.top + one.bottom, 0))} ${x(one.end)},${y(-Math.max(one.bottom, 0))}`}
            className={one.now ? 'fill-mark-wash stroke-mark' : 'fill-card stroke-ink'}
            strokeWidth={one.now ? 2.2 : 1.2}
          />
          {one.thread > 0 &&
            [one.thread, -one.thread].map((r) => (
              <line
                key={r}
                data-thread
                x1={x(one.end)}
                x2={x(one.start)}
                y1={y(r)}
                y2={y(r)}
                className={one.now ? 'stroke-mark' : 'stroke-ink'}
                strokeWidth="0.8"
              />
            ))}
          {one.inner > 0 && (
            <line
              x1={x(one.end)}
              x2={x(one.start)}
              y1={y(-one.inner)}
              y2={y(-one.inner)}
              className="stroke-soft"
              strokeDasharray="5 3"
            />
          )}
        </g>
      ))}
      {section.marks.map((one) => (
        <rect
          key={one.feature}
          x={x(one.end)}
          y={y(one.high)}
          width={(one.end - one.start) * scale}
          height={(one.high - one.low) * scale}
          className={one.now ? 'fill-paper stroke-mark' : 'fill-paper stroke-ink'}
          strokeWidth={one.now ? 2.2 : 1.2}
        />
      ))}
      {grips.map((one) => (
        <Grip
          key={`${one.way} ${one.start}`}
          way={one.way}
          left={x(one.end)}
          wide={(one.end - one.start) * scale}
          radius={one.radius * scale}
          middle={middle}
          points={one.start < (first + last) / 2 ? 'left' : 'right'}
        />
      ))}
      <line x1={6} x2={WIDE - 6} y1={middle} y2={middle} className="stroke-mark" strokeDasharray="14 4 3 4" />
      {section.bar && (
        <text x={8} y={TALL - 8} className="fill-soft text-[13px]">
          bar goes on
        </text>
      )}
    </svg>
  );
}

interface GripProps {
  way: string;
  left: number;
  wide: number;
  radius: number;
  middle: number;
  points: 'left' | 'right';
}

/** Jaws above and below, a centre at an end, a mandrel through it, what it is clamped to. */
function Grip({ way, left, wide, radius, middle, points }: GripProps) {
  const look = 'fill-straw stroke-straw-edge';
  if (way === 'centre') {
    const [tip, back] = points === 'left' ? [left, left + wide] : [left + wide, left];
    return (
      <polygon
        points={`${tip},${middle} ${back},${middle - 12} ${back},${middle + 12}`}
        className={look}
        strokeWidth={1.5}
      />
    );
  }
  if (way === 'mandrel')
    return (
      <rect
        x={left}
        y={middle - radius}
        width={wide}
        height={2 * radius}
        className={look}
        strokeWidth={1.5}
        fillOpacity={0.6}
      />
    );
  if (way === 'clamp')
    return <rect x={left} y={middle - radius} width={wide} height={2 * radius} className={look} strokeWidth={1.5} />;
  return (
    <>
      <rect x={left} y={middle - radius - 15} width={wide} height={15} className={look} strokeWidth={1.5} />
      <rect x={left} y={middle + radius} width={wide} height={15} className={look} strokeWidth={1.5} />
    </>
  );
}
