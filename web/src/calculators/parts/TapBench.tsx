import { Dialog } from 'radix-ui';
import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { Button } from '../../parts/Button';

const DARK = 'border-plate-line bg-plate! px-6 py-4 text-2xl text-plate-ink!';
const CLEAR_EVERY = 3;

/** The tap on the bench: count the turns, be told when to back off and clear. */
export function TapBench({ reply, close }: { reply: Schemas['TapReply']; close: () => void }) {
  const { answer } = reply;
  const whole = answer.turns ? Math.ceil(answer.turns.value) : null;
  const [turns, setTurns] = useState(0);
  const done = whole !== null && turns >= whole;
  const clear = turns > 0 && turns % CLEAR_EVERY === 0;
  return (
    <Dialog.Root open onOpenChange={(open) => !open && close()}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-0 z-50 flex flex-col overflow-auto bg-plate p-5 text-plate-ink sm:p-8">
          <Dialog.Title className="text-2xl text-plate-soft">{reply.read_as}</Dialog.Title>
          <div className="flex flex-1 flex-col items-center justify-center text-center" aria-live="polite">
            <p className="text-4xl text-plate-soft">Turns</p>
            <p className="figures text-[min(40vw,20rem)] leading-none font-bold">{turns}</p>
            <p className="text-5xl max-sm:text-3xl">{whole === null ? 'depth not said' : `of ${whole}`}</p>
            <p
              className={`mt-5 max-w-4xl rounded-md px-4 py-2 text-3xl ${done ? 'bg-stop text-stop-ink' : clear ? 'bg-straw text-straw-ink' : ''}`}>
              {done
                ? 'Stop: the thread is deep enough.'
                : clear
                  ? `Clear it. ${answer.back_off_says}`
                  : answer.back_off_says}
            </p>
          </div>
          <div className="flex flex-wrap justify-between gap-3">
            <Button className={DARK} onClick={close}>
              Close
            </Button>
            <Button className={DARK} disabled={turns === 0} onClick={() => setTurns(turns - 1)}>
              Undo one
            </Button>
            <Button
              className="border-plate-ink bg-plate-ink! px-10 py-4 text-2xl font-semibold text-plate!"
              autoFocus
              disabled={done}
              onClick={() => setTurns(turns + 1)}>
              One turn
            </Button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
