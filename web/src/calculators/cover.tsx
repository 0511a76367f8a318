import type { Schemas } from '../api/client';
import { StudCircle } from '../drawings/StudCircle';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['CoverReply'];

function FromAbove({ reply }: Given<Reply>) {
  return (
    <Drawn>
      <StudCircle answer={reply.answer} />
    </Drawn>
  );
}

export default { side: FromAbove } satisfies Extras<Reply>;
