import { Suspense } from 'react';
import { Link } from 'wouter';
import { type SpeedReply, useFan, useShop } from '../api/queries';
import type { Extras, Given } from '../house';
import { Button } from '../parts/Button';
import { SlateList } from '../parts/SlateList';
import { later } from '../parts/later';
import { createStore } from '../state/store';
import { type Typed, setQuestion } from '../state/question';
import { Schools } from './parts/Schools';
import { SpeedPlate } from './parts/SpeedPlate';
import { SpeedBench } from './parts/SpeedBench';

type Speed = Given<SpeedReply>;

// The number to set comes first; what stands beside it may come a moment later.
const SpeedFan = later(() => import('../drawings/SpeedFan').then((m) => ({ default: m.SpeedFan })));

/** Whether the second cut is looked at, where the first goes under a skin. */
const second = createStore(false);

function shownOf({ answer }: SpeedReply, then: boolean) {
  return then && answer.then ? answer.then : answer;
}

function FirstOrThen({ reply }: Speed) {
  const then = second.use();
  if (!reply.answer.then) return null;
  return (
    <div role="group" aria-label="Which cut" className="flex gap-2">
      <Button look={then ? 'plain' : 'main'} aria-pressed={!then} onClick={() => second.set(false)}>
        First, under the skin
      </Button>
      <Button look={then ? 'main' : 'plain'} aria-pressed={then} onClick={() => second.set(true)}>
        Then, in sound metal
      </Button>
    </div>
  );
}

function ToSet({ reply, typed }: Speed) {
  const shop = useShop();
  const shown = shownOf(reply, second.use());
  const machine = shop.data?.machines.find(({ machine: one }) => one.name === shown.machine);
  return <SpeedPlate answer={shown} machine={machine} operation={typed.operation || 'turn'} />;
}

function Below({ reply, change }: Speed) {
  return <Schools answer={shownOf(reply, second.use())} change={change} />;
}

function Beside({ reply, typed, unit, stale }: Speed) {
  const fan = useFan(typed, unit, !stale);
  const { answer } = reply;
  if (!fan.data) return null;
  return (
    <div className="rounded-lg border border-line bg-card p-4 max-sm:p-2">
      <Suspense fallback={<div className="aspect-[470/400]" />}>
        <SpeedFan
          fan={fan.data}
          machine={answer.machine}
          diameter={reply.readings.diameter?.mm ?? 1}
          wants={answer.target_rpm.value}
          set={answer.set_rpm.value}
        />
      </Suspense>
      <Link
        to="/sheet"
        className="inline-flex min-h-11 items-center text-mark"
        onClick={() => setQuestion('sheet', sheetOf(typed, reply.words.machine ?? ''))}>
        Every metal and diameter on one sheet for the wall
      </Link>
    </div>
  );
}

function Kept() {
  return (
    <section aria-label="Slate">
      <h2 className="border-b border-line pb-2 text-xl font-semibold">Slate</h2>
      <SlateList short />
    </section>
  );
}

/** The wall sheet of the same work on the same machine. */
function sheetOf(typed: Typed, machine: string): Typed {
  const pitched = ['power-tap', 'screw-cut'].includes(typed.operation ?? '');
  return { machine, tool: typed.tool ?? '', operation: pitched ? 'turn' : (typed.operation ?? '') };
}

export default {
  above: FirstOrThen,
  plate: ToSet,
  below: Below,
  side: Beside,
  also: Kept,
  bench: SpeedBench,
} satisfies Extras<SpeedReply>;
