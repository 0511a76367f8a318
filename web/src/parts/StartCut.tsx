import { useState } from 'react';
import { useLocation } from 'wouter';
import type { Problem } from '../api/client';
import { startCut } from '../api/cuts';
import { refusalOf } from '../api/queries';
import { keptOn, useWork } from '../state/work';
import { Button } from './Button';
import { Said } from './Said';

interface Props {
  calculator: string;
  says: string;
  typed: Record<string, unknown>;
  unit: string;
  stale: boolean;
}

/** From an answer to the lathe: the cut is kept, and followed reading by reading. */
export function StartCut({ calculator, says, typed, unit, stale }: Props) {
  const [, go] = useLocation();
  const work = useWork(calculator);
  const [refused, setRefused] = useState<Problem | null>(null);
  const start = async (simulated: boolean) => {
    setRefused(null);
    try {
      const cut = await startCut({ calculator, question: typed, unit, simulated, ...keptOn(work) });
      go(`/to-size/${cut.id}`);
    } catch (error) {
      setRefused(refusalOf(error));
    }
  };
  return (
    <>
      <Button look="main" className="px-5 text-xl" disabled={stale} onClick={() => void start(false)}>
        {says}
      </Button>
      <Button disabled={stale} onClick={() => void start(true)}>
        Start it on the simulated lathe
      </Button>
      {refused && <Said problem={refused} />}
    </>
  );
}
