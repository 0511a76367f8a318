import type { Schemas } from '../api/client';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['SquareReply'];

/** A part stood upright by the wedge under the side its top leaned towards. */
function Beside({ reply: { answer, headline } }: Given<Reply>) {
  return (
    <Drawn title="Upright on its wedge, which is drawn far too thick">
      <svg viewBox="0 0 400 280" role="img" aria-label={headline} className="w-full">
        <path d="M40 248H360" className="stroke-ink" strokeWidth="4" />
        <path d="M130 246L250 246L250 230Z" className="fill-straw stroke-straw-edge" strokeWidth="1.6" />
        <path d="M130 246L250 230V40L130 56Z" className="fill-line stroke-ink" fillOpacity="0.6" strokeWidth="2" />
        <text x={264} y={244} className="figures fill-ink text-[20px] font-bold">
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
