import type { Schemas } from '../api/client';

type Answer = Schemas['CoverAnswerWire'];

const WIDE = 380;

/** A cover from above, to scale: the pressure's circle, the studs with their nuts, the rim. */
export function StudCircle({ answer }: { answer: Answer }) {
  const circle = answer.circle_mm.value / 2;
  const nut = answer.nut_flats_mm.value / 2;
  const rim = answer.rim_mm ? answer.rim_mm.value / 2 : null;
  const scale = (WIDE / 2 - 8) / Math.max(rim ?? 0, circle + nut * 1.2);
  const middle = WIDE / 2;
  const studs = Array.from({ length: answer.count }, (_, n) => (2 * Math.PI * n) / answer.count - Math.PI / 2);
  return (
    <figure>
      <figcaption className="text-xl font-semibold">The cover from above, to scale</figcaption>
      <svg
        viewBox={`0 0 ${WIDE} ${WIDE}`}
        role="img"
        aria-label={`${answer.count} studs on a circle of ${answer.circle_mm.shown}, round ${answer.seal_mm.shown}`}
        className="w-full">
        {rim && <circle cx={middle} cy={middle} r={rim * scale} className="fill-card stroke-ink" strokeWidth="2" />}
        <circle
          cx={middle}
          cy={middle}
          r={(answer.seal_mm.value / 2) * scale}
          className="fill-mark-wash stroke-ink"
          strokeWidth="1.5"
        />
        <circle
          cx={middle}
          cy={middle}
          r={circle * scale}
          fill="none"
          className="stroke-soft"
          strokeDasharray="12 4 3 4"
        />
        {studs.map((angle) => {
          const x = middle + circle * scale * Math.cos(angle);
          const y = middle + circle * scale * Math.sin(angle);
          const corners = Array.from({ length: 6 }, (_, k) => {
            const turn = angle + Math.PI / 6 + (Math.PI * k) / 3;
            const out = (nut * scale) / Math.cos(Math.PI / 6);
            return `${x + out * Math.cos(turn)},${y + out * Math.sin(turn)}`;
          });
          return (
            <g key={angle}>
              <polygon points={corners.join(' ')} className="fill-line stroke-ink" />
              <circle cx={x} cy={y} r={(answer.major_mm.value / 2) * scale} className="fill-mark stroke-ink" />
            </g>
          );
        })}
        <text x={middle} y={middle - 4} textAnchor="middle" className="figures fill-ink text-[18px] font-bold">
          {answer.seal_mm.shown}
        </text>
        <text x={middle} y={middle + 16} textAnchor="middle" className="fill-soft text-[15px]">
          under pressure
        </text>
      </svg>
    </figure>
  );
}
