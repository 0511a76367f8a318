import type { Problem } from '../api/client';

/** A refusal, in the server's own words, with what to do instead. */
export function Said({ problem, id }: { problem: Problem; id?: string }) {
  return (
    <p id={id} role="alert" className="rounded-r-md border-l-6 border-stop-edge bg-stop px-3 py-2 text-stop-ink">
      <Marked text={problem.detail} />
      {problem.suggest && (
        <>
          {' '}
          Try <strong className="font-semibold">{problem.suggest}</strong>.
        </>
      )}
    </p>
  );
}

/** A sentence with what was typed in quotation marks. */
export function Marked({ text }: { text: string }) {
  return text.split('`').map((part, index) =>
    // What was typed stands between the marks, so it is every second part.
    index % 2 ? (
      <span key={index} className="font-semibold whitespace-pre-wrap">
        “{part}”
      </span>
    ) : (
      part
    ),
  );
}
