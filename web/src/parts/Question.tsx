import { useState } from 'react';
import type { Calculator } from '../api/queries';
import type { Problem } from '../api/client';
import { Said } from './Said';
import { Sentence } from './Sentence';
import type { useAsked } from './useAsked';

interface Props {
  calculator: Calculator;
  asked: ReturnType<typeof useAsked>;
}

/** A calculator's sentence, and under it what stands in the way of an answer. On a phone it folds. */
export function Question({ calculator, asked }: Props) {
  const { typed, change, reply, problem, unit, options } = asked;
  const [unfolded, setUnfolded] = useState(false);
  const untouched = Object.values(typed).every((value) => value === '');
  return (
    <>
      <button
        type="button"
        aria-expanded={unfolded}
        onClick={() => setUnfolded(!unfolded)}
        className="flex min-h-11 w-full items-center gap-2 border-b-2 border-mark text-left sm:hidden">
        <span className="min-w-0 flex-1 truncate text-xl font-semibold">{reply?.read_as ?? calculator.title}</span>
        <span className="text-mark">{unfolded ? 'Fold' : 'Change'}</span>
      </button>
      {/* Once the cursor was in it, it stays: the first digit may be an answer already, and is not the last. */}
      <div className={unfolded || (problem && !reply) ? '' : 'max-sm:hidden'} onFocus={() => setUnfolded(true)}>
        <Sentence
          calculator={calculator}
          typed={typed}
          change={change}
          words={reply?.words ?? {}}
          readings={problem ? {} : (reply?.readings ?? {})}
          problem={problem}
          unit={unit}
          options={options}
        />
      </div>
      {problem && (untouched ? <Begin problem={problem} /> : <Said problem={problem} />)}
    </>
  );
}

/** Nothing has been typed yet: what to begin with, and no reproach. */
function Begin({ problem }: { problem: Problem }) {
  return (
    <p role="status" className="rounded-r-md border-l-6 border-mark bg-mark-wash px-3 py-2 text-xl">
      {problem.detail} {problem.suggest && <span className="text-soft">Such as {problem.suggest}.</span>}
    </p>
  );
}
