import type { Schemas } from '../../api/client';
import { Passage } from '../../drawings/Passage';
import { Cautions } from '../../parts/Cautions';
import { KeepButton } from '../../parts/KeepButton';
import { Links } from '../../parts/Links';
import { Question } from '../../parts/Question';
import { Working, stepsOf } from '../../parts/Working';
import { useAsked } from '../../parts/useAsked';
import { Tabs } from './Tabs';

type AngledReply = Schemas['AngledHoleReply'];

/** A passage at an angle: where it comes out, how deep to drill, what wall is left. */
export default function AngledRoom() {
  const asked = useAsked<AngledReply>('angled-hole');
  const { unit, typed, calculator, reply, problem } = asked;
  if (!calculator) return <p className="py-10 text-soft">Fetching the room …</p>;
  const answer = reply?.answer;
  const rows = answer && ([
    ['Drill so deep', answer.travel_mm], ['Comes out along by', answer.along_mm],
    ['Its mouth is long', answer.mouth_mm], ['Flat to start on, deep', answer.flat_mm],
    ['Wall left beside it', answer.wall_mm], ['The passage itself', answer.length_mm],
  ] as const);
  return (
    <div className="grid gap-x-6 gap-y-5 lg:grid-cols-[minmax(0,1.6fr)_minmax(20rem,1fr)]">
      <div className="min-w-0 space-y-4">
        <Tabs />
        <h1 className="sr-only">A hole at an angle</h1>
        <Question asked={asked} readings={reply?.readings ?? {}} />
        {answer && reply && rows && (
          <div className={`settles space-y-4 ${problem ? 'opacity-40' : ''}`} inert={Boolean(problem)}>
            <div className="rounded-lg bg-plate p-5 text-plate-ink ring-1 ring-plate-line" aria-live="polite">
              <p className="text-2xl">{answer.says}</p>
              <dl className="mt-3 flex flex-wrap gap-x-8 gap-y-3">
                {rows.map(([name, figure], n) => figure && (
                  <div key={name}>
                    <dt className="text-plate-soft">{name}</dt>
                    <dd>
                      <span className={`figures font-bold ${n === 0 ? 'text-7xl max-sm:text-5xl' : 'text-4xl max-sm:text-3xl'}`}>{figure.shown}</span>{' '}
                      <span className="text-plate-soft">{figure.unit}</span>
                    </dd>
                  </div>
                ))}
              </dl>
            </div>
            <Cautions cautions={reply.cautions} />
            <Links links={reply.links} />
            <KeepButton calculator="angled-hole" typed={typed} unit={unit} ready={!problem} />
            <Working steps={stepsOf(rows.map(([, figure]) => figure))} />
          </div>
        )}
      </div>
      {answer && (
        <figure className={`self-start rounded-lg border border-line bg-card p-4 ${problem ? 'opacity-40' : ''}`}>
          <figcaption className="text-xl font-semibold">In section, to scale</figcaption>
          <Passage answer={answer} />
        </figure>
      )}
    </div>
  );
}
