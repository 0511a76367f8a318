import { Link, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';
import type { Problem, Schemas } from '../../api/client';
import { fetchCutBack, startCut, throwCut, useCuts } from '../../api/cuts';
import { refusalOf } from '../../api/queries';
import { Staircase } from '../../drawings/Staircase';
import { Button } from '../../parts/Button';
import { Cautions } from '../../parts/Cautions';
import { KeepButton } from '../../parts/KeepButton';
import { Links } from '../../parts/Links';
import { Question } from '../../parts/Question';
import { Said } from '../../parts/Said';
import { Working, stepsOf } from '../../parts/Working';
import { useAsked } from '../../parts/useAsked';
import { offerUndo } from '../../state/undo';
import { NextPlate } from './NextPlate';
import { Passes } from './Passes';

type PlanReply = Schemas['PlanReply'];

/** From the size it is to the size wanted, pass by pass. */
export default function ToSizeRoom() {
  const asked = useAsked<PlanReply>('plan');
  const { unit, typed, calculator, reply, problem } = asked;
  const go = useNavigate();
  const [refused, setRefused] = useState<Problem | null>(null);
  if (!calculator) return <p className="py-10 text-soft">Fetching the room …</p>;
  const answer = reply?.answer;
  const groove = (typed.job ?? 'outside') === 'groove';
  const start = async (simulated: boolean) => {
    setRefused(null);
    try {
      const cut = await startCut({ question: typed, unit, simulated });
      await go({ to: '/to-size/$cut', params: { cut: String(cut.id) } });
    } catch (error) {
      setRefused(refusalOf(error));
    }
  };
  return (
    <div className="grid gap-x-6 gap-y-5 lg:grid-cols-[minmax(0,1.6fr)_minmax(20rem,1fr)]">
      <div className="min-w-0 space-y-4">
        <h1 className="sr-only">To size</h1>
        <Question asked={asked} readings={reply?.readings ?? {}} />
        {refused && <Said problem={refused} />}
        {answer && reply && (
          <div className={`settles space-y-4 ${problem ? 'opacity-40' : ''}`} inert={Boolean(problem)}>
            <NextPlate plan={answer} first />
            <div className="flex flex-wrap gap-2">
              <Button look="main" className="px-5 text-xl" onClick={() => void start(false)}>
                Start this cut
              </Button>
              <Button onClick={() => void start(true)}>Start it on the simulated lathe</Button>
              <KeepButton calculator="plan" typed={typed} unit={unit} ready={!problem} />
            </div>
            <Cautions cautions={reply.cautions} />
            <Passes plan={answer} />
            <Links links={reply.links} />
            <Working
              steps={stepsOf([answer.left_mm, answer.spring_mm, ...answer.passes.flatMap((p) => [p.take_mm, p.to_mm])])}
            />
          </div>
        )}
      </div>
      <div className="min-w-0 space-y-5">
        {answer && !groove && (
          <div className={`rounded-lg border border-line bg-card p-4 max-sm:p-2 ${problem ? 'opacity-40' : ''}`}>
            <Staircase start={answer.now_mm.value} plan={answer} readings={[]} made={0} />
          </div>
        )}
        <Cuts />
        <Link to="/practice" className="inline-flex min-h-11 items-center text-mark">
          Practise on the simulated lathe
        </Link>
      </div>
    </div>
  );
}

function Cuts() {
  const cuts = useCuts();
  if (!cuts.data) return null;
  return (
    <section aria-label="Cuts under way">
      <h2 className="border-b border-line pb-2 text-xl font-semibold">Cuts under way</h2>
      {cuts.data.length === 0 && (
        <p className="py-2 text-soft">None yet. A cut that is started stays here, readings and all, until it is thrown away.</p>
      )}
      <ul>
        {cuts.data.map((cut) => (
          <li key={cut.id} className="flex items-center gap-2 border-b border-line py-2">
            <Link to="/to-size/$cut" params={{ cut: String(cut.id) }} className="min-w-0 flex-1 no-underline">
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
              }}
            >
              ✕
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
