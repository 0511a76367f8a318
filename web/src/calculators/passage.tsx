import type { Schemas } from '../api/client';
import { OilWay } from '../drawings/OilWay';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['PassageReply'];

function Beside({ reply: { answer } }: Given<Reply>) {
  const wall = answer.wall_mm ? `${answer.wall_mm.shown} ${answer.wall_mm.unit}` : '';
  return (
    <Drawn title="From the face it starts on, to scale">
      <OilWay
        label={`A passage ${answer.length_mm.shown} long${wall && `, ${wall} left beside it`}`}
        along={answer.along_mm.value}
        deep={answer.deep_mm.value}
        drill={answer.drill_mm.value}
        other={
          answer.other_along_mm && answer.other_deep_mm
            ? {
                along: answer.other_along_mm.value,
                deep: answer.other_deep_mm.value,
                dia: answer.other_dia_mm?.value ?? 0,
              }
            : undefined
        }
        wall={wall}
      />
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
