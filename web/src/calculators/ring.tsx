import type { Schemas } from '../api/client';
import { Ring } from '../drawings/Ring';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['RingReply'];

function Beside({ reply }: Given<Reply>) {
  return (
    <Drawn title="The ring free, going on, and closed, to scale">
      <Ring answer={reply.answer} />
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
