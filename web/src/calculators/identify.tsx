import type { Schemas } from '../api/client';
import type { Extras, Given } from '../house';
import { Candidates } from './parts/Candidates';

type Reply = Schemas['IdentifyReply'];

function HowFar({ reply }: Given<Reply>) {
  return <Candidates candidates={reply.answer.candidates} />;
}

export default { below: HowFar, noBench: true } satisfies Extras<Reply>;
