import type { Schemas } from '../api/client';
import { EndOn } from '../drawings/EndOn';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['FlatsReply'];

function Beside({ reply: { answer }, typed }: Given<Reply>) {
  const flats = { across: answer.across_mm.value, count: Number(typed.shape || '4') };
  return (
    <Drawn title="Seen on its end, to scale">
      <EndOn label={`Flats ${answer.across_mm.shown} across`} bar={answer.bar_mm.value} flats={flats} />
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
