import type { Schemas } from '../api/client';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['SineReply'];

const WIDE = 400;
const ROLL = 9;

/** The bar on its plate, one roller packed up. */
function Beside({ reply: { answer, headline } }: Given<Reply>) {
  const angle = (answer.angle_deg.value * Math.PI) / 180;
  const long = Math.min(300, 240 / Math.max(Math.sin(angle), 0.2));
  const low = long * Math.sin(angle) + 60;
  const left = (WIDE - long * Math.cos(angle)) / 2;
  const [x, y] = [left + long * Math.cos(angle), low - long * Math.sin(angle)];
  const [nx, ny] = [-Math.sin(angle) * ROLL, -Math.cos(angle) * ROLL];
  return (
    <Drawn title="On its packing, to scale">
      <svg viewBox={`0 0 ${WIDE} ${low + 46}`} role="img" aria-label={headline} className="w-full">
        <path d={`M20 ${low + ROLL}H${WIDE - 20}`} className="stroke-ink" strokeWidth="3" />
        <rect
          x={x - 16}
          y={y + ROLL}
          width={32}
          height={low - y}
          className="fill-mark-wash stroke-mark"
          strokeWidth="1.6"
        />
        <path
          d={`M${left + nx} ${low + ny}L${x + nx} ${y + ny}L${x + 2.6 * nx} ${y + 2.6 * ny}L${left + 2.6 * nx} ${low + 2.6 * ny}Z`}
          className="fill-line stroke-ink"
          strokeWidth="2"
        />
        <circle cx={left} cy={low} r={ROLL} className="fill-card stroke-ink" strokeWidth="2" />
        <circle cx={x} cy={y} r={ROLL} className="fill-card stroke-ink" strokeWidth="2" />
        <text x={x - 24} y={(y + low) / 2 + 12} textAnchor="end" className="figures fill-ink text-[18px] font-bold">
          {answer.height_mm.shown}
        </text>
        <text x={left + 60} y={low - 2} className="figures fill-ink text-[16px]">
          {answer.angle_deg.shown}°
        </text>
      </svg>
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
