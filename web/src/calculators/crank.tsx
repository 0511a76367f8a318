import type { Schemas } from '../api/client';
import { CrankAlong } from '../drawings/CrankAlong';
import { OffCentre } from '../drawings/OffCentre';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';
import { OrderBench } from './parts/OrderBench';

type Reply = Schemas['CrankReply'];

function Beside({ reply: { answer } }: Given<Reply>) {
  const bar = answer.tag === 'solid' ? answer.bar_mm.value : undefined;
  const said = `${answer.throw_mm.shown} ${answer.throw_mm.unit}`;
  return (
    <>
      <Drawn title="Along it, to scale">
        <CrankAlong
          label={`A crank of ${said} throw, from the side`}
          throw_={answer.throw_mm.value}
          main={answer.main_mm.value}
          pin={answer.pin_mm.value}
          gap={answer.gap_mm.value}
          thick={answer.thick_mm.value}
          bar={bar}
        />
      </Drawn>
      <Drawn title="On its end, to scale">
        <OffCentre
          label={`Crankpin ${said} off the shaft`}
          off={answer.throw_mm.value}
          pin={answer.pin_mm.value}
          main={answer.main_mm.value}
          bar={bar}
          shown={answer.throw_mm.shown}
        />
      </Drawn>
    </>
  );
}

function Bench({ reply, close }: Given<Reply> & { close: () => void }) {
  return <OrderBench title={reply.read_as} cautions={reply.cautions} steps={reply.answer.steps} close={close} />;
}

export default { side: Beside, bench: Bench } satisfies Extras<Reply>;
