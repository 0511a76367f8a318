import type { SpeedAnswer, SpeedReply } from '../../api/queries';
import { type BenchStep as Step, BenchSteps } from '../../parts/BenchSteps';
import { stopsAmong } from '../../parts/StopPlate';
import { wound } from './SpeedPlate';

/** A cut on the bench: the belt, then the dial or the feed. */
export function SpeedBench({ reply, close }: { reply: SpeedReply; close: () => void }) {
  return (
    <BenchSteps
      title={reply.read_as}
      stops={stopsAmong(reply.cautions)}
      steps={stepsOf(reply)}
      ends="That is all for this cut."
      close={close}
    />
  );
}

function stepsOf(reply: SpeedReply): Step[] {
  const { operation } = reply.question;
  const name = typeof operation === 'string' ? operation : 'turn';
  const first = cutSteps(reply.answer, name, '');
  const then = reply.answer.then;
  return then ? [...first, ...cutSteps(then, name, 'Then, under the skin: ')] : first;
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
      : { does: `${before}Set the spindle to`, number: answer.set_rpm.shown, unit: 'rev/min', under: answer.gear },
  ];
  const { feed_mm_per_rev: turn, feed_mm_per_min: minute } = answer;
  if (!turn || !minute) return steps;
  const feed = `feed ${turn.shown} ${turn.unit}, ${answer.coolant}`;
  if (answer.dial_divisions) {
    steps.push({
      does: `Wind on the ${answer.dial_slide}`,
      number: answer.dial_divisions.shown,
      unit: 'divisions',
      under: `${wound(answer, operation)}; ${feed}`,
    });
  } else {
    steps.push({ does: 'Feed', number: minute.shown, unit: minute.unit, under: feed });
  }
  return steps;
}
