import type { Schemas } from '../api/client';
import { OffCentre } from '../drawings/OffCentre';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['ThrowReply'];

function Beside({ reply }: Given<Reply>) {
  return (
    <Drawn title="Seen on its end, to scale">
      <OffCentre answer={reply.answer} />
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
