import type { Problem } from '../api/client';
import { Button } from './Button';
import { Said } from './Said';

interface Props {
  error: unknown;
  problem: Problem | null;
  /** The reading as it was typed. */
  text: string;
  send: (reading: string, sure?: boolean) => void;
}

/** A reading that was not taken: a slip is asked about, everything else said; it stays in its field. */
export function SlipAsked({ error, problem, text, send }: Props) {
  if (problem && isSlip(problem)) {
    return (
      <div role="alert" className="rounded-r-md border-l-6 border-straw-edge bg-straw px-3 py-2 text-straw-ink">
        <p className="text-xl">{problem.detail}</p>
        <p className="mt-2 flex flex-wrap gap-2">
          {problem.suggest && (
            <Button look="main" onClick={() => send(problem.suggest!)}>
              It is {problem.suggest}
            </Button>
          )}
          <Button onClick={() => send(text, true)}>No, {text} is right</Button>
        </p>
      </div>
    );
  }
  if (problem) return <Said problem={problem} />;
  if (!error) return null;
  return (
    <p role="alert" className="bg-stop px-3 py-2 text-stop-ink">
      The server does not answer: nothing is recorded yet, and the reading stays here.
    </p>
  );
}

function isSlip(problem: Problem): boolean {
  const theirs = problem.theirs as { slip?: boolean } | null | undefined;
  return Boolean(theirs?.slip);
}
