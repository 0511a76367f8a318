import type { Schemas } from '../api/client';
import type { Extras, Given } from '../house';
import { BenchSteps } from '../parts/BenchSteps';
import { Drawn } from '../parts/Drawn';
import { Steps } from '../drawings/Steps';
import { StartCut } from '../parts/StartCut';
import { stopsAmong } from '../parts/StopPlate';

type Reply = Schemas['ScrewcutReply'];

function Beside({ reply: { answer } }: Given<Reply>) {
  return (
    <Drawn title="Pass by pass, to scale">
      <Steps
        label={`${answer.passes.length} passes to ${answer.depth_mm.shown}`}
        angle={answer.angle_of_thread_deg.value}
        depths={answer.passes.map((one) => one.stands_mm.value)}
      />
    </Drawn>
  );
}

function aside(mark: string): string {
  const more = /\((.*)\)/.exec(mark);
  return more ? `${more[1]}; ` : '';
}

/** One dial number at a time; back is undo. */
function Bench({ reply: { answer, read_as, cautions }, close }: Given<Reply> & { close: () => void }) {
  const count = answer.passes.length;
  return (
    <BenchSteps
      title={read_as}
      stops={stopsAmong(cautions)}
      steps={answer.passes.map((one) => ({
        does: `Pass ${one.pass_number} of ${count}: ${answer.travel_mm ? 'top slide' : 'cross-slide'}, wind to`,
        // "90 (10 back)": the mark alone is read from two metres.
        number: one.mark.split(' (')[0] || one.stands_mm.shown,
        unit: one.mark ? 'divisions' : one.stands_mm.unit,
        under: `${aside(one.mark)}${one.stands_mm.shown} ${one.stands_mm.unit} from nought; takes ${one.take_mm.shown} ${one.take_mm.unit}`,
        ahead: `pass ${one.pass_number}, wind to ${one.mark || one.stands_mm.shown}`,
      }))}
      ends="Then a pass at nothing, and the nut."
      close={close}
    />
  );
}

function Start(given: Given<Reply>) {
  return <StartCut {...given} calculator="screwcut" says="Start this thread" />;
}

export default { actions: Start, side: Beside, bench: Bench } satisfies Extras<Reply>;
