import { type ReactNode, useCallback } from 'react';
import type { Figure } from '../api/queries';
import { setPrefs, usePrefs } from '../state/prefs';
import { useKey } from '../state/keys';
import { Button } from './Button';

export type Step = Figure['working'][number];

/** Every step of these figures once, in the order they were taken. */
export function stepsOf(figures: (Figure | null | undefined)[]): Step[] {
  const seen = new Map<string, Step>();
  for (const figure of figures) {
    for (const step of figure?.working ?? []) seen.set(step.label + step.words, step);
  }
  return [...seen.values()];
}

/** The working, open or folded: formula, numbers put in, why, and where each came from. */
export function Working({ steps, children }: { steps: Step[]; children?: ReactNode }) {
  const { working, keys } = usePrefs();
  const toggle = useCallback(() => setPrefs({ working: !working }), [working]);
  useKey('w', toggle);
  return (
    <section aria-label="Working" className="border-t border-line pt-3">
      <div className="flex items-center justify-between">
        <h2 className="text-lg font-semibold">Working</h2>
        <Button look="quiet" aria-expanded={working} onClick={toggle}>
          {working ? 'Fold' : 'Show'}
          {keys && <kbd className="text-base text-soft">W</kbd>}
        </Button>
      </div>
      {working && children}
      {working && <StepList steps={steps} />}
    </section>
  );
}

/** Steps one under the other. */
export function StepList({ steps }: { steps: Step[] }) {
  return (
    <ol className="mt-1">
      {steps.map((step) => (
        <li
          key={step.label + step.words}
          className="grid gap-x-4 border-b border-line py-1.5 last:border-0 sm:grid-cols-[11rem_1fr_auto]">
          <span className="text-soft">{step.label}</span>
          <span className="min-w-0">
            <span className="figures text-base wrap-anywhere">{step.words}</span>
            {step.why && <span className="text-soft"> · {step.why}</span>}
            {step.holds && <span className="block text-base text-soft">{step.holds}</span>}
          </span>
          <span className="self-start rounded-full border border-line px-2.5 text-base text-soft">
            {step.source.title}, {step.source.held}
          </span>
        </li>
      ))}
    </ol>
  );
}
