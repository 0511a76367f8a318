import type { Schemas } from '../api/client';
import { GrooveCut } from '../drawings/GrooveCut';
import { PistonOnRod } from '../drawings/PistonOnRod';
import { StuffingBox } from '../drawings/StuffingBox';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['SealReply'];

function Beside({ reply: { answer } }: Given<Reply>) {
  return <Drawn title="Cut through, to scale">{drawn(answer)}</Drawn>;
}

function drawn(answer: Reply['answer']) {
  if (answer.tag === 'o-ring') {
    return (
      <GrooveCut
        label={`A ring ${answer.section_mm.shown} thick squeezed into ${answer.groove_depth_mm.shown}`}
        deep={answer.groove_depth_mm.value}
        wide={answer.wide_low_mm.value}
        section={answer.section_mm.value}
        clear={answer.clear_mm.value}
      />
    );
  }
  if (answer.tag === 'packing') {
    return (
      <StuffingBox
        label={`A box bored ${answer.box_mm.shown} and ${answer.box_deep_mm.shown} deep`}
        rod={answer.size_mm.value}
        box={answer.box_mm.value}
        deep={answer.box_deep_mm.value}
        space={answer.space_mm.value}
        follower={answer.follower_high_mm.value}
      />
    );
  }
  return (
    <PistonOnRod
      label={`A piston lapped to ${answer.high_mm.shown}`}
      bore={answer.size_mm.value}
      long={answer.long_mm.value}
    />
  );
}

export default { side: Beside } satisfies Extras<Reply>;
