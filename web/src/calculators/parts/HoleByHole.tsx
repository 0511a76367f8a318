import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import type { AnyReply, Figure } from '../../api/queries';
import { Button } from '../../parts/Button';
import { sentenced, stopsAmong } from '../../parts/StopPlate';
import { createStore } from '../../state/store';
import { useKey } from '../../state/keys';
import { usePrefs } from '../../state/prefs';

export interface Gone {
  name: string;
  x_mm: Figure;
  y_mm: Figure;
}

interface Props {
  reply: AnyReply;
  /** In the order they are gone to. */
  holes: Gone[];
  draw: (next: string | undefined, done: string[]) => ReactNode;
  close: () => void;
}

/** How many holes of each pattern are done: closing the bench by mistake loses none. */
const gone = createStore<Record<string, number>>({});
const DARK = 'border-plate-line bg-plate! px-6 py-4 text-2xl text-plate-ink!';

/** One hole at a time with what the read-out must show, next by one key, the last one undone by one. */
export function HoleByHole({ reply, holes, draw, close }: Props) {
  const { keys } = usePrefs();
  const all = gone.use();
  const count = Math.min(all[reply.read_as] ?? 0, holes.length);
  const put = (many: number) => gone.set({ ...gone.get(), [reply.read_as]: many });
  const forward = () => {
    if (count < holes.length) put(count + 1);
    else close();
  };
  const back = () => put(Math.max(count - 1, 0));
  useKey('n', forward, 'bench');
  useKey('u', back, 'bench');
  const hole = holes[count];
  const [stop] = stopsAmong(reply.cautions);
  const done = holes.slice(0, count).map(({ name }) => name);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && close()}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-0 z-50 flex flex-col overflow-auto bg-plate p-5 text-plate-ink sm:p-8">
          <Dialog.Title className="text-2xl text-plate-soft">{reply.read_as}</Dialog.Title>
          {stop && (
            <p className="mt-2 text-3xl font-semibold text-stop-plate">
              Stop. {sentenced(stop.instead)}: {stop.says}
            </p>
          )}
          <div className="grid flex-1 items-center gap-6 py-3 lg:grid-cols-[1.5fr_1fr]">
            <div aria-live="polite">
              {hole ? (
                <>
                  <p className="text-4xl text-plate-soft max-sm:text-2xl">
                    Hole <b className="text-plate-ink">{hole.name}</b>, {count + 1} of {holes.length}
                  </p>
                  <Axis name="x" at={hole.x_mm} />
                  <Axis name="y" at={hole.y_mm} />
                </>
              ) : (
                <p className="text-6xl font-bold">All {holes.length} are done.</p>
              )}
            </div>
            <div className="rounded-lg bg-paper p-3 text-ink max-lg:hidden">{draw(hole?.name, done)}</div>
          </div>
          <div className="flex flex-wrap items-center justify-between gap-3">
            <Button className={DARK} onClick={close}>
              Close
            </Button>
            <Button className={DARK} onClick={back} disabled={count === 0}>
              Undo the last {keys && <kbd className="text-base text-plate-soft">U</kbd>}
            </Button>
            <Button
              autoFocus
              className="border-plate-ink bg-plate-ink! px-8 py-4 text-2xl font-semibold text-plate!"
              onClick={forward}>
              {hole ? 'Done, next' : 'Close'} {keys && hole && <kbd className="text-base">N</kbd>}
            </Button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Axis({ name, at }: { name: string; at: Figure }) {
  return (
    <p className="flex items-baseline gap-6 leading-tight font-bold max-sm:gap-3">
      <span className="text-6xl text-plate-soft max-sm:text-4xl">{name}</span>
      <span className="figures text-[min(15vw,9.5rem)] whitespace-nowrap">{at.shown}</span>
      <span className="text-4xl text-plate-soft max-sm:text-2xl">{at.unit}</span>
    </p>
  );
}
