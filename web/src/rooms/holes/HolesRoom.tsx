import { Suspense, useCallback, useState } from 'react';
import type { HoleReply, HoleStep } from '../../api/holes';
import { HoleSection } from '../../drawings/HoleSection';
import { Button } from '../../parts/Button';
import { Cautions } from '../../parts/Cautions';
import { KeepButton } from '../../parts/KeepButton';
import { Links } from '../../parts/Links';
import { Question } from '../../parts/Question';
import { Working, stepsOf } from '../../parts/Working';
import { useAsked } from '../../parts/useAsked';
import { useKey } from '../../state/keys';
import { StepPlate } from './StepPlate';
import { Tabs } from './Tabs';
import { later } from '../../parts/later';

const BenchSteps = later(() => import('../../parts/BenchSteps').then((m) => ({ default: m.BenchSteps })));

/** A hole from the centre mark to its size, tool by tool. */
export default function HolesRoom() {
  const asked = useAsked<HoleReply>('hole');
  const { unit, typed, calculator, reply, problem } = asked;
  const [picked, setPicked] = useState(0);
  const [bench, setBench] = useState(false);
  const ready = Boolean(reply) && !problem;
  useKey('b', useCallback(() => ready && setBench(true), [ready]));
  if (!calculator) return <p className="py-10 text-soft">Fetching the room …</p>;
  const answer = reply?.answer;
  const steps = answer ? [...answer.first, ...answer.drills, ...answer.then] : [];
  const at = Math.min(picked, steps.length - 1);
  const step = steps[at];
  return (
    <div className="grid gap-x-6 gap-y-5 lg:grid-cols-[minmax(0,1.6fr)_minmax(20rem,1fr)]">
      <div className="min-w-0 space-y-4">
        <Tabs />
        <h1 className="sr-only">Holes</h1>
        <Question asked={asked} readings={reply?.readings ?? {}} />
        {answer && reply && step && (
          <div className={`settles space-y-4 ${problem ? 'opacity-40' : ''}`} inert={Boolean(problem)}>
            <StepPlate step={step} number={at + 1} of={steps.length} coolant={answer.coolant} />
            <ol aria-label="Tools in their turn" className="flex flex-wrap gap-2">
              {steps.map((one, n) => (
                <li key={n}>
                  <Button look={n === at ? 'main' : 'plain'} aria-current={n === at ? 'step' : undefined} onClick={() => setPicked(n)}>
                    {n + 1} {one.name}
                  </Button>
                </li>
              ))}
            </ol>
            <div className="flex flex-wrap gap-2">
              <Button onClick={() => setBench(true)}>
                Bench view <kbd className="text-base text-soft">B</kbd>
              </Button>
              <KeepButton calculator="hole" typed={typed} unit={unit} ready={ready} />
            </div>
            <Links links={reply.links} />
            <Cautions cautions={reply.cautions} />
            <Working
              steps={stepsOf([
                answer.ream_allowance_mm, answer.left_mm, answer.off_mm, answer.point_mm, ...steps.map((s) => s.depth_mm),
              ])}
            />
          </div>
        )}
      </div>
      <div className="min-w-0 space-y-5">
        {answer && (
          <>
            <div className={`rounded-lg border border-line bg-card p-4 max-sm:p-2 ${problem ? 'opacity-40' : ''}`}>
              <HoleSection
                answer={answer}
                steps={steps}
                at={at}
                blind={typed.ends === 'blind'}
                pointDeg={Number(typed.point || 118)}
              />
            </div>
            <Leaves answer={answer} />
          </>
        )}
      </div>
      <Suspense>
        {bench && reply && (
          <BenchSteps title={reply.read_as} steps={steps.map(benchStep)} ends="The hole is done." close={() => setBench(false)} />
        )}
      </Suspense>
    </div>
  );
}

function Leaves({ answer }: { answer: HoleReply['answer'] }) {
  const rows: [string, { shown: string; unit: string } | null][] = [
    ['The last drill leaves', answer.left_mm],
    ['It should leave about', answer.ream_allowance_mm],
    ['Off the size wanted', answer.off_mm],
    ['Point of the last drill', answer.point_mm],
    ['The tip ends at', answer.bottom_mm],
    ['The reamer goes past by', answer.pass_mm],
  ];
  return (
    <div>
      <dl className="divide-y divide-line">
      {rows.map(([name, figure]) => figure && (
        <div key={name} className="flex justify-between gap-4 py-1.5">
          <dt className="text-soft">{name}</dt>
          <dd>
            <b className="figures">{figure.shown}</b> {figure.unit}
          </dd>
        </div>
      ))}
      </dl>
      <p className="pt-2 text-soft">{answer.stop_says}</p>
    </div>
  );
}

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
};

function benchStep(step: HoleStep) {
  return {
    does: DOES[step.kind] ?? step.kind,
    number: step.name,
    ahead: `${DOES[step.kind]?.toLowerCase() ?? ''} ${step.name}`,
    unit: [step.position, step.rpm && `${step.rpm.shown} rev/min`].filter(Boolean).join(', '),
    under: [step.stop && `to ${step.stop}`, step.says].filter(Boolean).join('. '),
  };
}
