import type { Schemas } from '../api/client';
import { EndOn } from '../drawings/EndOn';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['KeywayReply'];

function Beside({ reply: { answer } }: Given<Reply>) {
  const slot = { width: answer.width_mm.value, deep: answer.depth_top_mm.value };
  return (
    <Drawn title="Seen on its end, to scale">
      <EndOn
        label={`A keyway ${answer.depth_top_mm.shown} down from the top`}
        bar={answer.shaft_mm.value}
        slot={slot}
      />
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
