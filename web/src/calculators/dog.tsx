import type { Schemas } from '../api/client';
import { Sectors } from '../drawings/Sectors';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['DogReply'];

function Beside({ reply: { answer } }: Given<Reply>) {
  const pitch = 360 / answer.dogs;
  const half = answer.dog_deg.value / 2;
  return (
    <Drawn title="One half, seen on its face, to scale">
      <Sectors
        label={`${answer.dogs} dogs of ${answer.dog_deg.shown} degrees`}
        outside={answer.outside_mm.value}
        inside={answer.bore_mm.value}
        sectors={Array.from({ length: answer.dogs }, (_, n) => ({
          from: n * pitch - half,
          to: n * pitch + half,
          look: 'metal',
        }))}
      />
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
