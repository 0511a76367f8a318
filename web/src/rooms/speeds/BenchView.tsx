import { Dialog } from 'radix-ui';
import { useState } from 'react';
import type { Reply, SpeedAnswer } from '../../api/queries';
import { Button } from '../../parts/Button';
import { wound } from './Plate';

interface Step {
  does: string;
  number: string;
  unit: string;
  under: string;
}

/** One number to set, one thing next, one way back: read from two metres. */
export default function BenchView({ reply, close }: { reply: Reply; close: () => void }) {
  const steps = stepsOf(reply);
  const [at, setAt] = useState(0);
  const step = steps[Math.min(at, steps.length - 1)]!;
  const next = steps[at + 1];
  return (
    <Dialog.Root open onOpenChange={(open) => !open && close()}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-0 z-50 flex flex-col bg-plate p-5 text-plate-ink sm:p-8"
        >
          <Dialog.Title className="text-2xl text-plate-soft">{reply.read_as}</Dialog.Title>
          <div className="flex flex-1 flex-col items-center justify-center text-center" aria-live="polite">
            <p className="text-4xl text-plate-soft">{step.does}</p>
            <p className="figures text-[min(40vw,22rem)] leading-none font-bold">{step.number}</p>
            <p className="text-6xl max-sm:text-4xl">{step.unit}</p>
            <p className="mt-3 text-3xl text-plate-soft">{step.under}</p>
          </div>
          <div className="flex flex-wrap items-center justify-between gap-3">
            <Button
              className="border-plate-line bg-plate! px-6 py-4 text-2xl text-plate-ink!"
              onClick={() => (at > 0 ? setAt(at - 1) : close())}
            >
              {at > 0 ? 'Back' : 'Close'}
            </Button>
            <p className="text-2xl text-plate-soft">
              {next ? `Next: ${next.does.toLowerCase()}` : 'That is all for this cut.'}
            </p>
            <Button
              className="border-plate-ink bg-plate-ink! px-8 py-4 text-2xl font-semibold text-plate!"
              onClick={() => (next ? setAt(at + 1) : close())}
            >
              {next ? 'Done, next' : 'Done'}
            </Button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function stepsOf(reply: Reply): Step[] {
  const operation = reply.question.operation as string;
  const first = cutSteps(reply.answer, operation, '');
  const then = reply.answer.then;
  return then ? [...first, ...cutSteps(then, operation, 'Then, under the skin: ')] : first;
}

function cutSteps(answer: SpeedAnswer, operation: string, before: string): Step[] {
  const steps: Step[] = [
    answer.mark
      ? {
          does: `${before}Put the belt on`,
          number: answer.mark,
          unit: answer.gear,
          under: `${answer.set_rpm.shown} rev/min`,
        }
      : {
          does: `${before}Set the spindle to`,
          number: answer.set_rpm.shown,
          unit: 'rev/min',
          under: answer.gear,
        },
  ];
  const feed = `feed ${answer.feed_mm_per_rev.shown} ${answer.feed_mm_per_rev.unit}, ${answer.coolant}`;
  if (answer.dial_divisions) {
    steps.push({
      does: `Wind on the ${answer.dial_slide}`,
      number: answer.dial_divisions.shown,
      unit: 'divisions',
      under: `${wound(answer, operation)}; ${feed}`,
    });
  } else {
    steps.push({
      does: 'Feed',
      number: answer.feed_mm_per_min.shown,
      unit: answer.feed_mm_per_min.unit,
      under: feed,
    });
  }
  return steps;
}
