import type { Schemas } from '../api/client';
import { AlongBar } from '../drawings/AlongBar';
import type { Extras, Given } from '../house';
import { BenchSteps } from '../parts/BenchSteps';
import { Drawn } from '../parts/Drawn';
import { stopsAmong } from '../parts/StopPlate';

type Reply = Schemas['PartOffReply'];

function Beside({ reply: { answer, headline } }: Given<Reply>) {
  const cuts = answer.stops.map((one) => ({
    name: one.name,
    from: one.right_mm.value,
    to: one.right_mm.value + answer.blade_mm.value,
    shown: one.stop_mm.shown,
  }));
  const last = Math.max(...cuts.map((cut) => cut.to));
  return (
    <Drawn title="The bar, its faced end on the right">
      <AlongBar label={headline} long={Math.max(answer.bar_used_mm.value, last) * 1.15} cuts={cuts} right />
    </Drawn>
  );
}

/** Every stop in its turn. */
function Bench({ reply, close }: Given<Reply> & { close: () => void }) {
  const { answer } = reply;
  const steps = answer.stops.map((one) => ({
    does: one.name,
    number: one.stop_mm.shown,
    unit: one.stop_mm.unit,
    under: one.leaves,
  }));
  return (
    <BenchSteps
      title={reply.read_as}
      stops={stopsAmong(reply.cautions)}
      steps={steps}
      ends="That is all."
      close={close}
    />
  );
}

export default { side: Beside, bench: Bench } satisfies Extras<Reply>;
