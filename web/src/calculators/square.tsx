import type { Schemas } from '../api/client';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['SquareReply'];

const LEAN = 5;

/** A part that leans, more than it does, with the wedge that stands it up. */
function Beside({ reply: { answer, headline } }: Given<Reply>) {
  return (
    <Drawn title="Not to scale: it leans less than that">
      <svg viewBox="0 0 400 270" role="img" aria-label={headline} className="w-full">
        <path d="M40 236H360" className="stroke-ink" strokeWidth="4" />
        <path d="M250 234V40" className="stroke-mark" strokeDasharray="12 4 3 4" />
        <path d="M130 234L250 234L250 223.5Z" className="fill-straw stroke-straw-edge" strokeWidth="1.6" />
        <g transform={`rotate(${-LEAN} 130 234)`}>
          <rect
            x={130}
            y={60}
            width={120}
            height={174}
            className="fill-line stroke-ink"
            fillOpacity="0.6"
            strokeWidth="2"
          />
        </g>
        <text x={264} y={228} className="figures fill-ink text-[20px] font-bold">
          {answer.shim_mm.shown}
        </text>
        <text x={264} y={70} className="figures fill-ink text-[16px]">
          {answer.angle_deg.shown}°
        </text>
      </svg>
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
