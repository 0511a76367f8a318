import type { Schemas } from '../api/client';
import { Passage } from '../drawings/Passage';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['AngledHoleReply'];

function Section({ reply }: Given<Reply>) {
  return (
    <Drawn title="In section, to scale">
      <Passage answer={reply.answer} />
    </Drawn>
  );
}

export default { side: Section } satisfies Extras<Reply>;
