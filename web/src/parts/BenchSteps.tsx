import { Dialog } from 'radix-ui';
import { useState } from 'react';
import type { Caution } from '../api/queries';
import { Button } from './Button';
import { sentenced } from './StopPlate';

export interface BenchStep {
  does: string;
  number: string;
  unit: string;
  under: string;
  /** Said of it beforehand, where `does` alone is half a sentence. */
  ahead?: string;
}

interface Props {
  title: string;
  /** What must be put right before any number is set. */
  stops: Caution[];
  steps: BenchStep[];
  ends: string;
  close: () => void;
}

/** One number to set, one thing next, one way back: read from two metres. */
export function BenchSteps({ title, stops, steps: toSet, ends, close }: Props) {
  const [at, setAt] = useState(0);
  const steps = [...stops.map(asStep), ...toSet];
  const step = steps[Math.min(at, steps.length - 1)]!;
  const next = steps[at + 1];
  const size = sizeOf(step.number);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && close()}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-0 z-50 flex flex-col overflow-auto bg-plate p-5 text-plate-ink sm:p-8">
          <Dialog.Title className="text-2xl text-plate-soft">{title}</Dialog.Title>
          <div className="flex flex-1 flex-col items-center justify-center text-center" aria-live="polite">
            <p className={`text-4xl ${at < stops.length ? 'font-semibold text-stop-plate' : 'text-plate-soft'}`}>
              {step.does}
            </p>
            <p className={`leading-none font-bold ${size} ${at < stops.length ? '' : 'figures'}`}>{step.number}</p>
            <p className="mt-2 text-6xl max-sm:text-4xl">{step.unit}</p>
            <p className="mt-3 max-w-5xl text-3xl text-plate-soft">{step.under}</p>
          </div>
          <div className="flex flex-wrap items-center justify-between gap-3">
            <Button
              className="border-plate-line bg-plate! px-6 py-4 text-2xl text-plate-ink!"
              onClick={() => (at > 0 ? setAt(at - 1) : close())}>
              {at > 0 ? 'Back' : 'Close'}
            </Button>
            <p className="text-2xl text-plate-soft">{next ? `Next: ${next.ahead ?? next.does.toLowerCase()}` : ends}</p>
            <Button
              className="border-plate-ink bg-plate-ink! px-8 py-4 text-2xl font-semibold text-plate!"
              onClick={() => (next ? setAt(at + 1) : close())}>
              {next ? 'Done, next' : 'Done'}
            </Button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

const asStep = (stop: Caution): BenchStep => ({
  does: 'Stop',
  number: sentenced(stop.instead),
  unit: '',
  under: stop.says,
  ahead: 'a stop',
});

function sizeOf(number: string): string {
  if (number.length <= 5) return 'text-[min(40vw,22rem)]';
  return number.length <= 16 ? 'text-[min(16vw,10rem)]' : 'text-[min(9vw,6rem)]';
}
