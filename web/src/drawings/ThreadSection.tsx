import type { Schemas } from '../api/client';

type Answer = Schemas['TapAnswerWire'];

const WIDE = 440;
const LABELS = 150;
const TALL = 300;

/** The thread in section, to scale, with the hole: what the drill leaves is shaded. */
export function ThreadSection({ answer, choose }: { answer: Answer; choose: (name: string) => void }) {
  const pitch = answer.pitch_mm.value;
  const major = answer.major_mm.value / 2;
  const minor = answer.minor_mm.value / 2;
  const drill = answer.drill_mm.value / 2;
  const shown = answer.drills;
  const lowest = Math.min(minor, ...shown.map((d) => d.mm.value / 2)) - pitch * 0.25;
  const scale = (TALL - 40) / (major - lowest + pitch * 0.45);
  const y = (radius: number) => 20 + (radius - lowest) * scale;
  const turns = Math.ceil((WIDE - LABELS) / (pitch * scale)) + 1;
  const slope = 1 / Math.tan((answer.angle_deg.value * Math.PI) / 360);
  const groove = (n: number, from: number) => {
    // One groove of the hole: narrow at the major diameter, wide at the drill.
    const middle = (n + 0.5) * pitch;
    const half = (radius: number) => answer.crest_mm.value / 2 + (major - radius) / slope;
    const wide = Math.min(half(from), pitch / 2);
    return `M${(middle - wide) * scale} ${y(from)}L${(middle - half(major)) * scale} ${y(major)}H${(middle + half(major)) * scale}L${(middle + wide) * scale} ${y(from)}Z`;
  };
  return (
    <figure>
      <figcaption className="flex flex-wrap items-baseline justify-between gap-x-4">
        <span className="text-xl font-semibold">The thread and its hole, to scale</span>
        <span className="text-soft">shaded: what the drill leaves to engage</span>
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDE} ${TALL}`}
        role="img"
        aria-label={`Thread section: major ${answer.major_mm.shown}, hole ${answer.drill_mm.shown}, ${answer.engagement_percent.shown} per cent engaged`}
        className="w-full">
        <clipPath id="thread-box">
          <rect x="0" y="0" width={WIDE - LABELS} height={TALL} />
        </clipPath>
        <g clipPath="url(#thread-box)">
          <rect
            x="0"
            y={y(drill)}
            width={WIDE - LABELS}
            height={TALL - y(drill)}
            className="fill-line"
            fillOpacity="0.7"
          />
          {Array.from({ length: turns }, (_, n) => (
            <path
              key={n}
              d={groove(n, Math.max(drill, lowest))}
              className="fill-mark stroke-ink"
              fillOpacity="0.35"
              strokeWidth="1.5"
            />
          ))}
          <path d={`M0 ${y(drill)}H${WIDE}`} className="stroke-ink" strokeWidth="2.5" />
          <path d={`M0 ${y(major)}H${WIDE}M0 ${y(minor)}H${WIDE}`} className="stroke-soft" strokeDasharray="6 5" />
        </g>
        {spaced(shown, y).map(({ one, at }) => (
          <g key={one.name}>
            <path d={`M${WIDE - LABELS} ${y(one.mm.value / 2)}L${WIDE - LABELS + 14} ${at}`} className="stroke-soft" />
            <text
              x={WIDE - LABELS + 18}
              y={at + 5}
              className={`figures text-[15px] ${one.chosen ? 'fill-mark font-bold' : 'fill-ink'}`}
              onClick={() => choose(one.name)}>
              {one.name} · {one.engagement_percent.shown} %
            </text>
          </g>
        ))}
        <text x="4" y={y(major) + 18} className="fill-soft text-[14px]">
          major {answer.major_mm.shown}
        </text>
        <text x="4" y={y(minor) - 6} className="fill-soft text-[14px]">
          tightest {answer.minor_mm.shown}
        </text>
      </svg>
    </figure>
  );
}

/** Labels pushed apart so that none lies on another. */
function spaced(drills: Answer['drills'], y: (radius: number) => number) {
  let last = -20;
  return drills.map((one) => {
    const at = Math.max(y(one.mm.value / 2), last + 20);
    last = at;
    return { one, at };
  });
}
