import { Said } from './Said';
import { Sentence } from './Sentence';
import type { useAsked } from './useAsked';

type Asked = ReturnType<typeof useAsked>;

/** A calculator's sentence, and under it what stands in the way of an answer. */
export function Question({ asked, readings }: { asked: Asked; readings: Readings }) {
  const { calculator, typed, change, reply, problem, unit, options } = asked;
  if (!calculator) return null;
  return (
    <>
      <Sentence
        calculator={calculator}
        typed={typed}
        change={change}
        words={reply?.words ?? {}}
        readings={problem ? {} : readings}
        problem={problem}
        unit={unit}
        options={options}
      />
      {problem && <Said problem={problem} />}
    </>
  );
}

type Readings = Record<string, { echo: string; plain: boolean }>;
