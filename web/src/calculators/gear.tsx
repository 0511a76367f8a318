import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Schemas, call } from '../api/client';
import { GearMesh } from '../drawings/GearMesh';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['GearReply'];
type Shape = Schemas['Teeth'];

/** Both wheels as they run, their flanks drawn from the same law the sizes come from. */
function Mesh({ reply, typed, unit, stale }: Given<Reply>) {
  const { answer } = reply;
  const sweep = useQuery({
    queryKey: ['teeth', typed, unit],
    queryFn: ({ signal }) => call<Shape>('POST', '/calc/gear/teeth', { ...typed, unit }, signal),
    placeholderData: keepPreviousData,
    enabled: !stale && answer.tag === 'wheel',
  });
  const teeth = sweep.data;
  if (answer.tag !== 'wheel' || !teeth || teeth.x.length === 0) return null;
  const two = answer.mate_teeth !== null && answer.centres_mm !== null && teeth.mate_x.length > 0;
  return (
    <Drawn title={two ? 'In mesh, to scale' : 'The wheel, to scale'}>
      <GearMesh
        label={`${answer.teeth} teeth${two ? ` with ${answer.mate_teeth}, centres ${answer.centres_mm!.shown}` : ''}`}
        teeth={answer.teeth}
        tooth={{ x: teeth.x, y: teeth.y }}
        pitch={answer.pitch_circle_mm.value}
        mate={
          two
            ? {
                teeth: answer.mate_teeth!,
                tooth: { x: teeth.mate_x, y: teeth.mate_y },
                pitch: answer.mate_teeth! * answer.module_mm.value,
                centres: answer.centres_mm!.value,
              }
            : undefined
        }
      />
    </Drawn>
  );
}

export default { side: Mesh } satisfies Extras<Reply>;
