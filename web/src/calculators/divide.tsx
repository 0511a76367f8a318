import type { Schemas } from '../api/client';
import { IndexPlate } from '../drawings/IndexPlate';
import type { Extras, Given } from '../house';
import { BenchSteps } from '../parts/BenchSteps';
import { Drawn } from '../parts/Drawn';
import { stopsAmong } from '../parts/StopPlate';

type Reply = Schemas['DivideReply'];

function Beside({ reply: { answer } }: Given<Reply>) {
  const dial = answer.tag === 'table';
  return (
    <Drawn title={dial ? 'The handle’s dial after each step' : 'The circle, with the arms set'}>
      <IndexPlate
        label={`${answer.set_up}: ${answer.turns} whole turns, then ${answer.holes} of ${answer.circle}`}
        circle={answer.circle}
        spaces={answer.holes}
        turns={answer.turns}
        dial={dial}
      />
      {answer.holes > 0 && (
        <p className="text-soft">
          {dial
            ? `${answer.holes} of its ${answer.circle} divisions past the whole turns.`
            : `The pin stands in the first hole; after the whole turns it goes into the last one marked.`}
        </p>
      )}
    </Drawn>
  );
}

/** Every mark in its turn, so that none is counted twice. */
function Bench({ reply, close }: Given<Reply> & { close: () => void }) {
  const { answer } = reply;
  const marks = answer.marks.length > 0 ? answer.marks : [{ mark: 1, set_to: answer.set_up, at_deg: answer.step_deg }];
  return (
    <BenchSteps
      title={reply.read_as}
      stops={stopsAmong(reply.cautions)}
      steps={marks.map((one) => ({
        does: `Mark ${one.mark} of ${marks.length}`,
        number: answer.set_up,
        unit: '',
        under:
          one.mark === 1
            ? 'The first is cut where it stands; this is the step to the next.'
            : `From the start: ${one.set_to}. It stands at ${one.at_deg.shown}°.`,
        ahead: `mark ${one.mark}`,
      }))}
      ends="Round once: does the last close on the first?"
      close={close}
    />
  );
}

export default { side: Beside, bench: Bench } satisfies Extras<Reply>;
