import type { Schemas } from '../api/client';
import type { Extras, Given } from '../house';
import { Plate } from '../parts/AnswerPlate';

type Reply = Schemas['FaultsReply'];
type Faults = Given<Reply>;
type Answer = Reply['answer'];

function First({ reply: { answer } }: Faults) {
  return (
    <Plate>
      <p className="text-plate-soft">Look at this first</p>
      <p className="text-4xl leading-tight font-semibold first-letter:uppercase max-sm:text-3xl">{answer.first}</p>
      <p className="mt-1 text-2xl first-letter:uppercase">{answer.first_check}</p>
      {answer.tag === 'cut' && answer.new_rpm && (
        <p className="mt-3">
          <span className="text-plate-soft">Set </span>
          <span className="text-5xl font-semibold max-sm:text-4xl">{answer.new_position}</span>{' '}
          <span className="figures ml-3 text-3xl font-bold">{answer.new_rpm.shown}</span>{' '}
          <span className="text-plate-soft">rev/min; the metal would take {answer.target_rpm.shown}</span>
        </p>
      )}
      {answer.tag === 'taper' && (
        <p className="mt-3">
          <span className="text-plate-soft">By </span>
          <span className="figures text-5xl font-bold">{answer.move_mm.shown}</span>{' '}
          <span className="text-plate-soft">
            {answer.move_mm.unit}; {answer.angle_deg.shown}° out of line
          </span>
        </p>
      )}
      {answer.tag === 'cut' && answer.new_feed_mm_per_rev && (
        <p className="mt-3">
          <span className="text-plate-soft">Feed </span>
          <span className="figures text-5xl font-bold">{answer.new_feed_mm_per_rev.shown}</span>{' '}
          <span className="text-plate-soft">{answer.new_feed_mm_per_rev.unit}</span>
        </p>
      )}
    </Plate>
  );
}

function Causes({ reply: { answer } }: Faults) {
  const traced = answer.tag === 'run-out';
  return (
    <>
      {traced && <Trace trace={answer.trace} />}
      <section aria-label="Causes in the order to check them">
        <h2 className="text-xl font-semibold">Then, in this order</h2>
        <ol className="mt-1">
          {answer.causes.slice(traced ? 0 : 1).map((cause) => (
            <li key={cause.order} className="flex gap-4 border-b border-line py-2">
              <span className="figures w-8 text-2xl font-bold">{cause.order}</span>
              <span>
                <span className="block text-xl">{cause.cause}</span>
                <span className="text-soft">
                  {cause.check} · {cause.source}
                </span>
              </span>
            </li>
          ))}
        </ol>
      </section>
    </>
  );
}

function Trace({ trace }: { trace: Extract<Answer, { tag: 'run-out' }>['trace'] }) {
  return (
    <table className="w-full max-w-xl">
      <caption className="text-left text-xl font-semibold">Where it comes in</caption>
      <thead>
        <tr className="text-left text-soft">
          <th scope="col" className="font-normal">
            Read at
          </th>
          <th scope="col" className="text-right font-normal">
            Reading
          </th>
          <th scope="col" className="text-right font-normal">
            Added here
          </th>
        </tr>
      </thead>
      <tbody>
        {trace.map((jump) => (
          <tr key={jump.part} className={`border-b border-line ${jump.worst ? 'font-semibold' : ''}`}>
            <th scope="row" className="py-2 text-left font-[inherit]">
              {jump.part}
              {jump.worst && ' — look here'}
            </th>
            <td className="figures text-right">
              {jump.reading_mm.shown} {jump.reading_mm.unit}
            </td>
            <td className="figures text-right">
              {jump.adds_mm.shown} {jump.adds_mm.unit}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

export default { plate: First, below: Causes, noBench: true } satisfies Extras<Reply>;
