import { useEffect } from 'react';
import { refusalOf } from '../api/queries';
import { tell } from '../state/notice';
import { offerUndo, useUndo } from '../state/undo';
import { Button } from './Button';

const STAYS_MS = 12_000;

/** Done back; where it cannot be, that is said. */
async function takeBack(undo: () => unknown) {
  try {
    await undo();
  } catch (error) {
    tell(refusalOf(error)?.detail ?? 'Not taken back: the server does not answer.');
  }
}

/** Undo instead of "are you sure". */
export function Undo() {
  const done = useUndo();
  useEffect(() => {
    if (!done) return;
    const timer = setTimeout(() => offerUndo(null), STAYS_MS);
    return () => clearTimeout(timer);
  }, [done]);
  return (
    <div aria-live="polite" className="fixed inset-x-0 bottom-4 z-30 flex justify-center px-4">
      {done && (
        <div className="flex items-center gap-3 rounded-md bg-plate py-2 pr-2 pl-4 text-plate-ink shadow-lg ring-1 ring-plate-line">
          {done.says}
          <Button
            className="border-plate-line bg-plate! text-plate-ink! underline"
            onClick={() => {
              void takeBack(done.undo);
              offerUndo(null);
            }}>
            Undo
          </Button>
        </div>
      )}
    </div>
  );
}
