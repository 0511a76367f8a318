import type { Schemas } from '../api/client';
import { PistonOnRod } from '../drawings/PistonOnRod';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';
import { OrderBench } from './parts/OrderBench';

type Reply = Schemas['PistonReply'];

function Beside({ reply: { answer } }: Given<Reply>) {
  return (
    <Drawn title="In its bore, on its rod, to scale">
      <PistonOnRod
        label={`A piston ${answer.long_mm.shown} long on a ${answer.rod_mm.shown} rod`}
        bore={answer.bore_mm.value}
        long={answer.long_mm.value}
        rod={{ across: answer.rod_mm.value, recess: answer.recess_mm.value }}
        grooves={{
          count: answer.rings,
          wide: answer.groove_width_mm?.value ?? 0,
          deep: answer.groove_depth_mm?.value ?? 0,
        }}
      />
    </Drawn>
  );
}

function Bench({ reply, close }: Given<Reply> & { close: () => void }) {
  return <OrderBench title={reply.read_as} cautions={reply.cautions} steps={reply.answer.steps} close={close} />;
}

export default { side: Beside, bench: Bench } satisfies Extras<Reply>;
