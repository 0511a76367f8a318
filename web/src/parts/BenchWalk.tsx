import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { useKey } from '../state/keys';
import { usePrefs } from '../state/prefs';
import { Button } from './Button';

const DARK = 'border-plate-line bg-plate! px-6 py-4 text-2xl text-plate-ink!';

interface Props {
  title: string;
  /** What must be put right before anything is done. */
  stop?: ReactNode;
  /** What is done now, read from two metres. */
  now: ReactNode;
  /** Beside it, where there is room. */
  drawing?: ReactNode;
  /** What comes after that, in a line. */
  next?: string;
  leave: string;
  /** Whether something is left to be done. */
  going: boolean;
  forward: () => void;
  /** Takes the last one back; missing where nothing is done yet. */
  back?: () => void;
  close: () => void;
}

/** One thing at a time, done by one key and undone by another. */
export function BenchWalk({ title, stop, now, drawing, next, leave, going, forward, back, close }: Props) {
  const { keys } = usePrefs();
  useKey('n', forward, 'bench');
  useKey('u', () => back?.(), 'bench');
  return (
    <Dialog.Root open onOpenChange={(open) => !open && close()}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-0 z-50 flex flex-col overflow-auto bg-plate p-5 text-plate-ink sm:p-8">
          <Dialog.Title className="text-2xl text-plate-soft">{title}</Dialog.Title>
          {stop && <p className="mt-2 text-3xl font-semibold text-stop-plate">{stop}</p>}
          <div className="grid flex-1 items-center gap-6 py-3 lg:grid-cols-[1.5fr_1fr]">
            <div aria-live="polite">{now}</div>
            {drawing && <div className="rounded-lg bg-paper p-3 text-ink max-lg:hidden">{drawing}</div>}
          </div>
          <div className="flex flex-wrap items-center justify-between gap-3">
            <Button className={DARK} onClick={close}>
              {leave}
            </Button>
            <Button className={DARK} onClick={back} disabled={!back}>
              Undo the last {keys && <kbd className="text-base text-plate-soft">U</kbd>}
            </Button>
            {next && <p className="text-2xl text-plate-soft">{next}</p>}
            <Button
              autoFocus
              className="border-plate-ink bg-plate-ink! px-8 py-4 text-2xl font-semibold text-plate!"
              onClick={forward}>
              {going ? 'Done, next' : 'Close'} {keys && going && <kbd className="text-base">N</kbd>}
            </Button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
