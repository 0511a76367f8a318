import type { Problem } from '../api/client';
import { Said } from './Said';

/** Why the thing in the form was not saved. */
export function NotSaved({ problem, gone }: { problem: Problem | null; gone: boolean }) {
  return (
    <>
      {problem && <Said problem={problem} />}
      {gone && (
        <p role="alert" className="border-l-6 border-stop-edge bg-stop px-3 py-2 text-stop-ink">
          Not saved: the server does not answer. Everything typed is still here; save again when it is back.
        </p>
      )}
    </>
  );
}
