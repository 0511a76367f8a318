import { Dialog } from 'radix-ui';
import type { Part } from '../../api/parts';
import { HalfSection } from '../../drawings/HalfSection';
import { Button } from '../../parts/Button';
import { useKey } from '../../state/keys';
import { usePrefs } from '../../state/prefs';
import type { Act } from './PartRoom';
import { Reads } from './Reads';
import { measured, spoken } from './words';

const DARK = 'border-plate-line bg-plate! px-6 py-4 text-2xl text-plate-ink!';

/** The route one thing at a time: hold it so, set this, do that; ticked and undone by one key. */
export function BenchRoute({ part, act, close }: { part: Part; act: Act; close: () => void }) {
  const { keys } = usePrefs();
  const lines = part.route.flatMap((up, n) => up.lines.map((line) => ({ ...line, up, n })));
  const at = lines.findIndex((one) => !one.done);
  const now = at < 0 ? undefined : lines[at];
  const after = at < 0 ? undefined : lines.slice(at + 1).find((one) => !one.done);
  const last = lines.slice(0, at < 0 ? undefined : at).at(-1);
  const stop = part.broken.find((one) => one.severity === 'Stop');
  const tick = (mark: string, done: boolean) => {
    if (!act.isPending) act.mutate({ what: 'tick', how: 'POST', body: { mark, done } });
  };
  const forward = () => (now ? tick(now.mark, true) : close());
  const back = () => last && tick(last.mark, false);
  useKey('n', forward, 'bench');
  useKey('u', back, 'bench');
  return (
    <Dialog.Root open onOpenChange={(open) => !open && close()}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-0 z-50 flex flex-col overflow-auto bg-plate p-5 text-plate-ink sm:p-8">
          <Dialog.Title className="text-2xl text-plate-soft">{part.name}</Dialog.Title>
          {stop && (
            <p className="mt-2 text-2xl font-semibold text-stop-plate">
              Stop. {stop.name}: {stop.says}
            </p>
          )}
          <div className="grid flex-1 items-center gap-6 py-3 lg:grid-cols-[1.6fr_1fr]">
            <div aria-live="polite">
              {now ? (
                <>
                  <p className="text-3xl text-plate-soft max-sm:text-xl">
                    Set-up {now.n + 1} of {part.route.length}: {now.up.hold}
                    {now.up.packing && `, ${now.up.packing}`}
                  </p>
                  <p className="mt-3 text-[min(9vw,6rem)] leading-none font-bold">{spoken(now.line)}</p>
                  {now.belt && (
                    <p className="mt-4 text-5xl max-sm:text-3xl">
                      {now.belt} <span className="figures text-plate-soft">{Math.round(now.rpm)}</span>
                    </p>
                  )}
                  {measured(now.line) && (
                    <div className="mt-4">
                      <Reads
                        key={now.mark + (part.measured[measured(now.line)] ?? '')}
                        part={part}
                        act={act}
                        feature={measured(now.line)}
                        large
                      />
                      {part.fits
                        .filter((one) => one.feature === measured(now.line) && one.target)
                        .map((one) => (
                          <p key={one.id} className="mt-2 text-3xl">
                            <span className="figures font-bold">{one.target}</span> for {one.part}
                          </p>
                        ))}
                    </div>
                  )}
                  {now.tool && <p className="mt-2 text-3xl text-plate-soft max-sm:text-xl">{now.tool}</p>}
                </>
              ) : (
                <p className="text-6xl font-bold">All of it is done.</p>
              )}
            </div>
            {part.turned && now && (
              <div className="rounded-lg bg-paper p-3 text-ink max-lg:hidden">
                <HalfSection stage={part.stages[now.n + 1]!} label="After this set-up" />
              </div>
            )}
          </div>
          <div className="flex flex-wrap items-center justify-between gap-3">
            <Button className={DARK} onClick={close}>
              Stop here
            </Button>
            <Button className={DARK} onClick={back} disabled={!last}>
              Undo the last {keys && <kbd className="text-base text-plate-soft">U</kbd>}
            </Button>
            <p className="text-2xl text-plate-soft">
              {after ? `Next: ${spoken(after.line)}` : now ? 'Then it is done.' : ''}
            </p>
            <Button
              autoFocus
              className="border-plate-ink bg-plate-ink! px-8 py-4 text-2xl font-semibold text-plate!"
              onClick={forward}>
              {now ? 'Done, next' : 'Close'} {keys && now && <kbd className="text-base">N</kbd>}
            </Button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
