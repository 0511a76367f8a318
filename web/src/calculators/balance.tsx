import type { Schemas } from '../api/client';
import { Sectors } from '../drawings/Sectors';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['BalanceReply'];

function Beside({ reply: { answer } }: Given<Reply>) {
  const half = answer.angle_deg.value / 2;
  return (
    <Drawn title="Web and weight, seen on the end, to scale">
      <Sectors
        label={`A web, and opposite its pin a weight ${answer.angle_deg.shown} degrees round`}
        outside={2 * answer.reach_mm.value}
        inside={2 * answer.inner_mm.value}
        sectors={[{ from: 180 - half, to: 180 + half, look: 'weight' }]}
        web={{
          throw: answer.throw_mm.value,
          wide: answer.web_mm.value,
          beyond: answer.beyond_mm.value,
          pin: answer.pin_mm.value,
        }}
      />
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
