import { Dialog } from 'radix-ui';
import { setPrefs, usePrefs } from '../state/prefs';
import { Button } from './Button';

const KEYS = [
  ['Ctrl K', 'Ask, anywhere'],
  ['/', 'Ask, when no field has the cursor'],
  ['K', 'Keep this answer on the slate'],
  ['B', 'Bench view: the setting alone, large'],
  ['G', 'Read the gauge, at a cut on the simulated lathe'],
  ['W', 'Fold or show the working'],
  ['?', 'This list'],
  ['Esc', 'Close whatever is open'],
];

/** Keys, and how sizes may be typed. */
export default function Help({ close }: { close: () => void }) {
  const { keys } = usePrefs();
  return (
    <Dialog.Root open onOpenChange={(open) => !open && close()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[8vh] left-1/2 z-50 max-h-[84vh] w-[min(92vw,40rem)] -translate-x-1/2 overflow-auto rounded-lg border border-line bg-card p-5 text-ink">
          <Dialog.Title className="text-2xl font-semibold">Keys, and how to type a size</Dialog.Title>
          <dl className="mt-3 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
            {KEYS.map(([key, does]) => (
              <div key={key} className="contents">
                <dt>
                  <kbd className="rounded border border-line px-2">{key}</kbd>
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
          <label className="mt-3 flex min-h-11 items-center gap-3">
            <input
              type="checkbox"
              className="size-5 accent-(--mark)"
              checked={keys}
              onChange={(event) => setPrefs({ keys: event.target.checked })}
            />
            Single-key shortcuts
          </label>
          <p className="mt-3">
            Sizes are typed as they are spoken: <span className="figures">12,5</span>,{' '}
            <span className="figures">1 3/16"</span>, <span className="figures">24 thou</span>,{' '}
            <span className="figures">#43</span>, <span className="figures">2BA</span>,{' '}
            <span className="figures">1 1/4 + 7/64</span>. A bare number takes the page’s unit; a fraction is inches; to
            take away, put spaces round the minus.
          </p>
          <div className="mt-4 text-right">
            <Button onClick={close}>Close</Button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
