import type { Schemas } from '../api/client';
import { GearTrain } from '../drawings/GearTrain';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['WheelsReply'];

function Beside({ reply: { answer } }: Given<Reply>) {
  const best = answer.trains[0];
  if (!best) return null;
  return (
    <Drawn title="The train, to scale">
      <GearTrain label={`A train of ${answer.set_up}`} drivers={best.drivers} driven={best.driven} />
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
