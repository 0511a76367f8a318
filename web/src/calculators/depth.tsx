import type { Schemas } from '../api/client';
import { Stack } from '../drawings/Stack';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['DepthReply'];

function Pieces({ reply }: Given<Reply>) {
  return (
    <Drawn title="Added up, to scale">
      <Stack parts={reply.answer.stack} total={reply.answer.stop_mm.shown} />
    </Drawn>
  );
}

export default { side: Pieces } satisfies Extras<Reply>;
