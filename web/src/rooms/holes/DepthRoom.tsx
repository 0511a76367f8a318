import type { Schemas } from '../../api/client';
import { Stack } from '../../drawings/Stack';
import { Cautions } from '../../parts/Cautions';
import { KeepButton } from '../../parts/KeepButton';
import { Question } from '../../parts/Question';
import { Working, stepsOf } from '../../parts/Working';
import { useAsked } from '../../parts/useAsked';
import { Tabs } from './Tabs';

type DepthReply = Schemas['DepthReply'];

/** Where a stop, a gauge or a table is set: the sum, and its pieces drawn. */
export default function DepthRoom() {
  const asked = useAsked<DepthReply>('depth');
  const { unit, typed, calculator, reply, problem } = asked;
  if (!calculator) return <p className="py-10 text-soft">Fetching the room …</p>;
  const answer = reply?.answer;
  return (
    <div className="grid gap-x-6 gap-y-5 lg:grid-cols-[minmax(0,1.6fr)_minmax(20rem,1fr)]">
      <div className="min-w-0 space-y-4">
        <Tabs />
        <h1 className="sr-only">Where the stop is set</h1>
        <Question asked={asked} readings={reply?.readings ?? {}} />
        {answer && reply && (
          <div className={`settles space-y-4 ${problem ? 'opacity-40' : ''}`} inert={Boolean(problem)}>
            <div className="rounded-lg bg-plate p-5 text-plate-ink ring-1 ring-plate-line" aria-live="polite">
              <p className="text-plate-soft">Set</p>
              <p className="figures text-6xl leading-tight font-bold max-sm:text-4xl">{answer.stop}</p>
              <p className="mt-3 text-2xl">{answer.says}</p>
              <p className="mt-1 text-plate-soft">
                {answer.stop_mm.shown} {answer.stop_mm.unit} in all
              </p>
            </div>
            <Cautions cautions={reply.cautions} />
            <KeepButton calculator="depth" typed={typed} unit={unit} ready={!problem} />
            <Working steps={stepsOf([answer.stop_mm, answer.travel_mm])} />
          </div>
        )}
      </div>
      {answer && (
        <figure className={`self-start rounded-lg border border-line bg-card p-4 ${problem ? 'opacity-40' : ''}`}>
          <figcaption className="text-xl font-semibold">Added up, to scale</figcaption>
          <Stack parts={answer.stack} total={answer.stop_mm.shown} />
        </figure>
      )}
    </div>
  );
}
