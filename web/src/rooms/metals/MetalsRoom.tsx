import type { Schemas } from '../../api/client';
import { Cautions } from '../../parts/Cautions';
import { KeepButton } from '../../parts/KeepButton';
import { Question } from '../../parts/Question';
import { Working, stepsOf } from '../../parts/Working';
import { useAsked } from '../../parts/useAsked';
import { Candidates } from './Candidates';
import { MetalList } from './MetalList';

type IdentifyReply = Schemas['IdentifyReply'];
type PairReply = Schemas['PairReply'];

/** Which metal is this, and which may run on which. */
export default function MetalsRoom() {
  return (
    <div className="grid gap-x-8 gap-y-8 lg:grid-cols-[minmax(0,1.6fr)_minmax(20rem,1fr)]">
      <Identify />
      <Pair />
      <div className="lg:col-span-2">
        <MetalList />
      </div>
    </div>
  );
}

function Identify() {
  const asked = useAsked<IdentifyReply>('identify');
  const { unit, typed, calculator, reply, problem } = asked;
  if (!calculator) return <p className="py-10 text-soft">Fetching the room …</p>;
  const answer = reply?.answer;
  return (
    <section className="min-w-0 space-y-4" aria-labelledby="which">
      <h1 id="which" className="text-3xl font-semibold">
        Which metal is this?
      </h1>
      <p className="text-soft">Weigh an offcut, measure it, try a magnet and file a spot.</p>
      <Question asked={asked} readings={reply?.readings ?? {}} />
      {answer && reply && (
        <div
          className={`settles space-y-4 ${problem ? 'opacity-40' : ''}`}
          aria-live="polite"
          inert={Boolean(problem)}
        >
          <div className="rounded-lg bg-plate p-5 text-plate-ink ring-1 ring-plate-line">
            <p className="text-plate-soft">It is</p>
            <p className="text-6xl leading-tight font-semibold max-sm:text-4xl">{answer.verdict}</p>
            {answer.alike.length > 1 && <p className="mt-1 text-xl">{answer.alike.join(', ')}</p>}
            <p className="mt-2 text-plate-soft">
              <span className="figures text-2xl font-bold text-plate-ink">
                {answer.density_g_per_cm3.shown}
              </span>{' '}
              {answer.density_g_per_cm3.unit}, known to about {answer.error_percent.shown} %
            </p>
            {answer.next_test && <p className="mt-2">{answer.next_test}</p>}
          </div>
          <Cautions cautions={reply.cautions} />
          <Candidates candidates={answer.candidates} />
          <KeepButton calculator="identify" typed={typed} unit={unit} ready={!problem} />
          <Working
            steps={stepsOf([answer.volume_cm3, answer.density_g_per_cm3, answer.error_percent])}
          />
        </div>
      )}
    </section>
  );
}

function Pair() {
  const asked = useAsked<PairReply>('pair');
  const { calculator, reply } = asked;
  if (!calculator) return null;
  const answer = reply?.answer;
  return (
    <section className="min-w-0 space-y-4" aria-labelledby="pair">
      <h2 id="pair" className="text-3xl font-semibold">
        May these run together?
      </h2>
      <Question asked={asked} readings={reply?.readings ?? {}} />
      {answer && (
        <div
          aria-live="polite"
          className={`rounded-lg border-l-8 p-4 ${
            answer.verdict === 'run'
              ? 'border-mark bg-mark-wash'
              : answer.verdict === 'no'
                ? 'border-stop-edge bg-stop text-stop-ink'
                : 'border-straw-edge bg-straw text-straw-ink'
          }`}
        >
          <p className="text-4xl font-semibold">{answer.title}</p>
          <p className="mt-1 text-xl">{answer.says}</p>
          {answer.between && (
            <p className="mt-1">
              Between them: <strong className="font-semibold">{answer.between}</strong>.
            </p>
          )}
          <p className="mt-2">{answer.source}</p>
        </div>
      )}
    </section>
  );
}
