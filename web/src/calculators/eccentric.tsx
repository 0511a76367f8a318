import type { Schemas } from '../api/client';
import { OffCentre } from '../drawings/OffCentre';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['EccentricReply'];

function Beside({ reply: { answer } }: Given<Reply>) {
  return (
    <Drawn title="The sheave on its shaft, to scale">
      <OffCentre
        label={`A sheave of ${answer.sheave_mm.shown}, ${answer.throw_mm.shown} ${answer.throw_mm.unit} off its shaft`}
        off={answer.throw_mm.value}
        pin={answer.sheave_mm.value}
        main={answer.shaft_mm.value}
        shown={answer.throw_mm.shown}
      />
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
