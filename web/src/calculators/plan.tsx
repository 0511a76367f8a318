import { useState } from 'react';
import { Link, useLocation } from 'wouter';
import type { Problem, Schemas } from '../api/client';
import { fetchCutBack, startCut, throwCut, useCuts } from '../api/cuts';
import { refusalOf } from '../api/queries';
import { Staircase } from '../drawings/Staircase';
import type { Extras, Given } from '../house';
import { Button } from '../parts/Button';
import { Drawn } from '../parts/Drawn';
import { Said } from '../parts/Said';
import { NextPlate } from '../rooms/tosize/NextPlate';
import { Passes } from '../rooms/tosize/Passes';
import { offerUndo } from '../state/undo';

type Reply = Schemas['PlanReply'];
type Plan = Given<Reply>;

function Next({ reply }: Plan) {
  return <NextPlate plan={reply.answer} first />;
}

function Start({ typed, unit, stale }: Plan) {
  const [, go] = useLocation();
  const [refused, setRefused] = useState<Problem | null>(null);
  const start = async (simulated: boolean) => {
    setRefused(null);
    try {
      const cut = await startCut({ question: typed, unit, simulated });
      go(`/to-size/${cut.id}`);
    } catch (error) {
      setRefused(refusalOf(error));
    }
  };
  return (
    <>
      <Button look="main" className="px-5 text-xl" disabled={stale} onClick={() => void start(false)}>
        Start this cut
      </Button>
      <Button disabled={stale} onClick={() => void start(true)}>
        Start it on the simulated lathe
      </Button>
      {refused && <Said problem={refused} />}
    </>
  );
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
