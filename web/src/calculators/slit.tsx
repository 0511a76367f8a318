import type { Schemas } from '../api/client';
import { AlongBar } from '../drawings/AlongBar';
import type { Extras, Given } from '../house';
import { BenchSteps } from '../parts/BenchSteps';
import { Drawn } from '../parts/Drawn';
import { stopsAmong } from '../parts/StopPlate';

type Reply = Schemas['SlitReply'];

function Beside({ reply: { answer, headline } }: Given<Reply>) {
  return (
    <Drawn title="From the edge that is touched, to scale">
      <AlongBar
        label={headline}
        long={answer.total_mm.value}
        cuts={answer.slits.map((one) => ({
          name: String(one.cut),
          from: one.stop_mm.value,
          to: one.ends_mm.value,
          shown: one.stop_mm.shown,
        }))}
      />
    </Drawn>
  );
}

/** Every stop in its turn. */
function Bench({ reply, close }: Given<Reply> & { close: () => void }) {
  const { answer } = reply;
  const steps = answer.slits.map((one) => ({
    does: `Cut ${one.cut} of ${answer.slits.length}, the saw’s near side`,
    number: one.stop_mm.shown,
    unit: one.stop_mm.unit,
    under: `its far side comes out at ${one.ends_mm.shown}`,
    ahead: `cut ${one.cut}`,
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
