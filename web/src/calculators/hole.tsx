import { useState } from 'react';
import { HoleSection } from '../drawings/HoleSection';
import type { Extras, Given } from '../house';
import { BenchSteps } from '../parts/BenchSteps';
import { stopsAmong } from '../parts/StopPlate';
import { Button } from '../parts/Button';
import { createStore } from '../state/store';
import { StepPlate } from './parts/StepPlate';
import { type HoleReply, benchStep, stepsOfHole } from './parts/hole';

type Hole = Given<HoleReply>;

/** Which tool is looked at. */
const picked = createStore(0);

function ToPutIn({ reply }: Hole) {
  const steps = stepsOfHole(reply);
  const at = Math.min(picked.use(), steps.length - 1);
  const step = steps[at];
  if (!step) return null;
  return (
    <>
      <StepPlate step={step} number={at + 1} of={steps.length} coolant={reply.answer.coolant} />
      <ol aria-label="Tools in their turn" className="flex flex-wrap gap-2">
        {steps.map((one, n) => (
          <li key={n}>
            <Button
              look={n === at ? 'main' : 'plain'}
              aria-current={n === at ? 'step' : undefined}
              onClick={() => picked.set(n)}>
              {n + 1} {one.name}
            </Button>
          </li>
        ))}
      </ol>
      <p className="text-soft">{reply.answer.stop_says}</p>
    </>
  );
}

function Section({ reply, typed }: Hole) {
  const steps = stepsOfHole(reply);
  return (
    <div className="rounded-lg border border-line bg-card p-4 max-sm:p-2">
      <HoleSection
        answer={reply.answer}
        steps={steps}
        at={Math.min(picked.use(), steps.length - 1)}
        blind={typed.ends === 'blind'}
        pointDeg={Number(typed.point || 118)}
      />
    </div>
  );
}

function Bench({ reply, close }: Hole & { close: () => void }) {
  const [steps] = useState(() => stepsOfHole(reply).map(benchStep));
  return (
    <BenchSteps
      title={reply.read_as}
      stops={stopsAmong(reply.cautions)}
      steps={steps}
      ends="The hole is done."
      close={close}
    />
  );
}

export default { plate: ToPutIn, side: Section, bench: Bench } satisfies Extras<HoleReply>;
