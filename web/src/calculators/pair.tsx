import type { Schemas } from '../api/client';
import type { Extras, Given } from '../house';

type Reply = Schemas['PairReply'];

const LOOK = {
  run: 'border-mark bg-mark-wash',
  mind: 'border-straw-edge bg-straw text-straw-ink',
  no: 'border-stop-edge bg-stop text-stop-ink',
};

function Verdict({ reply: { answer } }: Given<Reply>) {
  return (
    <div aria-live="polite" className={`rounded-lg border-l-8 p-4 ${LOOK[answer.verdict as keyof typeof LOOK]}`}>
      <p className="text-4xl font-semibold">{answer.title}</p>
      <p className="mt-1 text-xl">{answer.says}</p>
      {answer.between && (
        <p className="mt-1">
          Between them: <strong className="font-semibold">{answer.between}</strong>.
        </p>
      )}
      <p className="mt-2">{answer.source}</p>
    </div>
  );
}

export default { plate: Verdict, noBench: true } satisfies Extras<Reply>;
