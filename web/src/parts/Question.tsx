import { useState } from 'react';
import type { Calculator } from '../api/queries';
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
  return (
    <>
      <button
        type="button"
        aria-expanded={unfolded}
        onClick={() => setUnfolded(!unfolded)}
        className="flex min-h-11 w-full items-center gap-2 border-b-2 border-mark text-left sm:hidden"
      >
        <span className="min-w-0 flex-1 truncate text-xl font-semibold">{reply?.read_as ?? calculator.title}</span>
        <span className="text-mark">{unfolded ? 'Fold' : 'Change'}</span>
      </button>
      <div className={unfolded || (problem && !reply) ? '' : 'max-sm:hidden'}>
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
      {problem && <Said problem={problem} />}
    </>
  );
}
