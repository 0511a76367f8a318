import type { Schemas } from '../api/client';
import { WireInThread } from '../drawings/WireInThread';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['WiresReply'];

function Beside({ reply: { answer } }: Given<Reply>) {
  return (
    <Drawn title="A wire in its groove, to scale">
      <WireInThread
        label={`A wire of ${answer.wire_mm.shown} in a thread of ${answer.pitch_mm.shown} pitch`}
        pitch={answer.pitch_mm.value}
        angle={answer.angle_deg.value}
        effective={answer.effective_mm?.value ?? answer.basic_mm.value}
        major={answer.major_mm.value}
        wire={answer.wire_mm.value}
      />
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
