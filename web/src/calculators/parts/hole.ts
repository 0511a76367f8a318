import type { BenchStep } from '../../parts/BenchSteps';
import type { Schemas } from '../../api/client';

export type HoleReply = Schemas['HoleReply'];
export type HoleStep = Schemas['HoleStepWire'];

/** What each step of a hole does with its tool. */
export const DOES: Record<string, string> = {
  flat: 'Mill a flat with the',
  spot: 'Spot with the',
  pilot: 'Pilot with',
  step: 'Open with',
  last: 'Last drill',
  ream: 'Ream with the',
  bore: 'Bore',
  'd-bit': 'Finish with the',
  bar: 'Finish with the',
  hone: 'Hone',
  counterbore: 'Counterbore with the',
  countersink: 'Countersink with the',
  there: 'Begin from the hole of',
};

/** Every tool in its turn. */
export function stepsOfHole({ answer }: HoleReply): HoleStep[] {
  return [...answer.first, ...answer.drills, ...answer.then];
}

export function benchStep(step: HoleStep): BenchStep {
  return {
    does: DOES[step.kind] ?? step.kind,
    number: step.name,
    ahead: `${DOES[step.kind]?.toLowerCase() ?? ''} ${step.name}`,
    unit: [step.position, step.rpm && `${step.rpm.shown} rev/min`].filter(Boolean).join(', '),
    under: [step.stop && `to ${step.stop}`, step.says].filter(Boolean).join('. '),
  };
}
