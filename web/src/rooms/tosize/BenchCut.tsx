import { Dialog } from 'radix-ui';
import { useRef } from 'react';
import type { Cut, useCutAct } from '../../api/cuts';
import { Button } from '../../parts/Button';
import { sentenced, stopsAmong } from '../../parts/StopPlate';
import { split } from './NextPlate';
import { touched } from '../../parts/usePad';
import { useKey } from '../../state/keys';
import { ReadingField } from './ReadingField';
import { Tries } from './Tries';

interface Props {
  cut: Cut;
  act: ReturnType<typeof useCutAct>;
  unit: string;
  /** Whether there is a size to type now. */
  reads: boolean;
  gauge: () => void;
  undo: () => void;
  done: () => void;
  close: () => void;
  /** What comes next where it is at size. */
  atSize?: () => void;
  leave?: string;
}

const DARK = 'border-plate-line bg-plate! px-5 py-3 text-2xl text-plate-ink!';

/** The next thing alone on the screen, read from two metres, with one field and one undo. */
export default function BenchCut({ cut, act, unit, reads, gauge, undo, done, close, atSize, leave = 'Close' }: Props) {
  const field = useRef<HTMLInputElement>(null);
  useKey('g', gauge, 'bench');
  const [stop] = stopsAmong(cut.cautions);
  const next = split(cut.answer.next_says);
  // Where the cut must not go on, what to do instead is what is read from two metres.
  const [verb, big] = stop ? ['Stop', sentenced(stop.instead)] : next;
  return (
    <Dialog.Root open onOpenChange={(open) => !open && close()}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => {
            event.preventDefault();
            if (!touched()) field.current?.focus();
          }}
          className="fixed inset-0 z-50 flex flex-col overflow-auto bg-plate p-5 text-plate-ink sm:p-8">
          <Dialog.Title className="text-2xl text-plate-soft">{cut.title}</Dialog.Title>
          <div className="flex flex-1 flex-col items-center justify-center text-center" aria-live="polite">
            <p className={`text-4xl ${stop ? 'font-semibold text-stop-plate' : 'text-plate-soft'}`}>{verb}</p>
            <p className={`leading-none font-bold ${stop ? '' : 'figures'} ${sizeOf(big)}`}>{big}</p>
            {!stop && <p className="mt-4 max-w-4xl text-3xl max-sm:text-2xl">{cut.answer.next_detail}</p>}
            {cut.cautions
              .filter((caution) => caution.word === 'Stop' || caution.figure === 'next')
              .map((caution) => (
                <p key={caution.about} className="mt-3 max-w-4xl rounded-md bg-straw px-4 py-2 text-2xl text-straw-ink">
                  <b className="font-semibold">
                    {caution.word} {caution.about}:
                  </b>{' '}
                  {caution.says}
                </p>
              ))}
            {stop && <p className="mt-4 text-xl text-plate-soft">Not to be set: {cut.answer.next_says}</p>}
          </div>
          <div className="rounded-lg bg-paper p-3 text-ink">
            {reads && (
              <ReadingField cut={cut} act={act} unit={unit} field={field} gauge={cut.simulated ? gauge : undefined} />
            )}
            <Tries cut={cut} act={act} />
          </div>
          <div className="mt-3 flex flex-wrap justify-between gap-3">
            <Button className={DARK} onClick={close}>
              {leave}
            </Button>
            {cut.simulated && (
              <Button className={DARK} onClick={gauge} disabled={act.isPending}>
                Read the gauge <kbd className="text-base text-plate-soft">G</kbd>
              </Button>
            )}
            {cut.answer.state === 'cut' && cut.tries.length > 0 && (
              <Button className={DARK} onClick={done}>
                {reads ? 'Made it, not measured' : 'Made it: the next'}
              </Button>
            )}
            <Button className={DARK} onClick={undo} disabled={cut.undoes === null}>
              Undo the last
            </Button>
            {atSize && (
              <Button
                className="border-plate-ink bg-plate-ink! px-8 py-3 text-2xl font-semibold text-plate!"
                onClick={atSize}>
                At size: on with the route
              </Button>
            )}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function sizeOf(big: string): string {
  if (big.length <= 6) return 'whitespace-nowrap text-[min(21vw,13rem)]';
  return big.length <= 16 ? 'text-[min(12vw,7rem)]' : 'text-[min(9vw,5rem)]';
}
