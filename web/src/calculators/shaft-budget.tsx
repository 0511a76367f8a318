import type { Schemas } from '../api/client';
import { AlongShaft } from '../drawings/AlongShaft';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['ShaftBudgetReply'];

function Beside({ reply: { answer } }: Given<Reply>) {
  return (
    <Drawn title="Between the frames, to scale">
      <AlongShaft
        label={`${answer.sits.length} things take ${answer.held_mm.shown} of ${answer.room_mm.shown}`}
        room={answer.room_mm.value}
        blocks={answer.sits.map((one) => ({
          name: one.name,
          from: one.from_mm.value,
          to: one.to_mm.value,
          shown: `${one.wide_mm.shown} ${one.wide_mm.unit}`,
        }))}
        line={answer.line_mm?.value}
      />
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
