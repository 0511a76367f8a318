import type { Schemas } from '../api/client';
import { StudStack } from '../drawings/StudStack';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['StudReply'];

function InPlace({ reply }: Given<Reply>) {
  return (
    <Drawn>
      <StudStack answer={reply.answer} />
    </Drawn>
  );
}

export default { side: InPlace } satisfies Extras<Reply>;
