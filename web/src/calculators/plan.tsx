import { Link } from 'wouter';
import type { Schemas } from '../api/client';
import { fetchCutBack, throwCut, useCuts } from '../api/cuts';
import { Staircase } from '../drawings/Staircase';
import type { Extras, Given } from '../house';
import { Button } from '../parts/Button';
import { Drawn } from '../parts/Drawn';
import { StartCut } from '../parts/StartCut';
import { NextPlate } from '../rooms/tosize/NextPlate';
import { Passes } from '../rooms/tosize/Passes';
import { offerUndo } from '../state/undo';

type Reply = Schemas['PlanReply'];
type Plan = Given<Reply>;

function Next({ reply }: Plan) {
  return <NextPlate plan={reply.answer} first />;
}

function Start(given: Plan) {
  return <StartCut {...given} calculator="plan" says="Start this cut" />;
}

function All({ reply }: Plan) {
  return <Passes plan={reply.answer} />;
}

function Beside({ reply, typed }: Plan) {
  const groove = (typed.job || 'outside') === 'groove';
  if (groove) return null;
  return (
    <Drawn>
      <Staircase start={reply.answer.now_mm.value} plan={reply.answer} readings={[]} made={0} />
    </Drawn>
  );
}

function UnderWay() {
  return (
    <>
      <Cuts />
      <Link to="/practice" className="inline-flex min-h-11 items-center text-mark">
        Practise on the simulated lathe
      </Link>
    </>
  );
}

function Cuts() {
  const cuts = useCuts();
  if (!cuts.data) return null;
  return (
    <section aria-label="Cuts under way">
      <h2 className="border-b border-line pb-2 text-xl font-semibold">Cuts under way</h2>
      {cuts.data.length === 0 && (
        <p className="py-2 text-soft">
          None yet. A cut that is started stays here, readings and all, until it is thrown away.
        </p>
      )}
      <ul>
        {cuts.data.map((cut) => (
          <li key={cut.id} className="flex items-center gap-2 border-b border-line py-2">
            <Link to={`/to-size/${cut.id}`} className="min-w-0 flex-1 no-underline">
              <span className="line-clamp-2 text-lg underline">{cut.title}</span>
              <span className="text-soft">
                {cut.state === 'cut' ? `${cut.next_says}; ${cut.left} left` : cut.next_says}
              </span>
            </Link>
            <Button
              look="quiet"
              aria-label={`Throw away: ${cut.title}`}
              onClick={() => {
                void throwCut(cut.id);
                offerUndo({ says: 'Cut thrown away', undo: () => fetchCutBack(cut.id) });
              }}>
              ✕
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

export default {
  plate: Next,
  actions: Start,
  below: All,
  side: Beside,
  also: UnderWay,
  noBench: true,
} satisfies Extras<Reply>;
