import { useCallback, useRef, useState } from 'react';
import { Dialog } from 'radix-ui';
import { Link, useLocation, useParams } from 'wouter';
import type { Problem } from '../../api/client';
import { startCut, useCutAct } from '../../api/cuts';
import { type Mate, useMate, useMateAct } from '../../api/mates';
import { onceKey } from '../../api/once';
import { client, refusalOf, useCalculators } from '../../api/queries';
import { MateLadder, MatePlate } from '../../calculators/mate';
import { Button } from '../../parts/Button';
import { Cautions } from '../../parts/Cautions';
import { Rows, Tables } from '../../parts/Rows';
import { Said } from '../../parts/Said';
import { HeldBack, StopPlate, sentenced, stopsAmong } from '../../parts/StopPlate';
import { Working, stepsOf } from '../../parts/Working';
import { figuresOf } from '../../parts/described';
import { touched } from '../../parts/usePad';
import { closeOver, openOver, useOver } from '../../state/dialog';
import { useKey } from '../../state/keys';
import { usePrefs } from '../../state/prefs';
import { ReadingOf } from './ReadingOf';
import { Heading } from '../../parts/Heading';

/** A part brought to the one that is there: its limits, its readings, what is left. */
export default function MateRoom() {
  const id = Number(useParams<{ mate: string }>().mate);
  const { unit, keys } = usePrefs();
  const { data: mate, error } = useMate(id);
  const act = useMateAct(id);
  const field = useRef<HTMLInputElement>(null);
  const bench = useOver() === 'bench';
  const columns = useCalculators().data?.find((one) => one.name === 'mate')?.answers[''] ?? [];
  useKey(
    'b',
    useCallback(() => openOver('bench'), []),
  );

  const problem = refusalOf(error);
  if (problem) {
    return (
      <div className="max-w-3xl space-y-4">
        <Said problem={problem} />
        <Link to="/fits/mate" className="text-mark">
          All mates
        </Link>
      </div>
    );
  }
  if (!mate) return <p className="py-10 text-soft">Fetching the mate …</p>;
  const { answer } = mate;
  const undo = () => act.mutate({ what: 'undo', body: { event_key: onceKey(), undoes: mate.undoes } });
  const stops = stopsAmong(mate.cautions);
  const left = columns.filter((column) => !column.drawn);
  return (
    <div className="grid gap-x-6 gap-y-5 lg:grid-cols-[minmax(0,1.6fr)_minmax(20rem,1fr)]">
      <div className="min-w-0 space-y-4">
        <div className="flex flex-wrap items-baseline justify-between gap-2">
          <Heading className="text-2xl font-semibold">{mate.title}</Heading>
          <Link to="/fits/mate" className="inline-flex min-h-11 items-center text-mark">
            All mates
          </Link>
        </div>
        <StopPlate stops={stops} />
        <HeldBack stopped={stops.length > 0}>
          <MatePlate answer={answer} />
        </HeldBack>
        {mate.cut?.counts && (
          <p className="text-lg">
            As last read at{' '}
            <Link to={`/to-size/${mate.cut.id}`} className="text-mark underline">
              its cut
            </Link>
            .
          </p>
        )}
        <ReadingOf mate={mate} act={act} unit={unit} field={field} />
        <div className="flex flex-wrap gap-2">
          <CutIt mate={mate} unit={unit} />
          {mate.cut?.simulated && <FromGauge mate={mate} cut={mate.cut} />}
          <Button onClick={undo} disabled={mate.undoes === null || act.isPending}>
            Undo the last
          </Button>
          <Button onClick={() => openOver('bench')}>
            Bench view {keys && <kbd className="text-base text-soft">B</kbd>}
          </Button>
        </div>
        <Cautions cautions={mate.cautions} />
        <Tables columns={left.filter((column) => column.rank === 'big')} answer={answer} />
        <Rows columns={left.filter((column) => column.rank === 'row')} answer={answer} />
        <Working steps={stepsOf(figuresOf(columns, answer))} />
      </div>
      <div className="min-w-0 space-y-5">
        <MateLadder answer={answer} make={mate.make} />
        <Tables columns={left.filter((column) => column.rank !== 'big')} answer={answer} />
      </div>
      {bench && <BenchMate mate={mate} act={act} unit={unit} undo={undo} />}
    </div>
  );
}

/** The gauge of the simulated lathe its cut is made on: another look at what is in the chuck. */
function FromGauge({ mate, cut }: { mate: Mate; cut: NonNullable<Mate['cut']> }) {
  const { keys } = usePrefs();
  const act = useCutAct(cut.id);
  const read = useCallback(() => {
    if (act.isPending) return;
    const body = { event_key: onceKey(), after: cut.last_event, again: true };
    act.mutate(
      { what: 'gauge', body },
      { onSettled: () => void client.invalidateQueries({ queryKey: ['mate', mate.id] }) },
    );
  }, [act, cut, mate.id]);
  useKey('g', read);
  return (
    <Button onClick={read} disabled={act.isPending}>
      Read the gauge {keys && <kbd className="text-base text-soft">G</kbd>}
    </Button>
  );
}

/** The cut that brings it there, pass by pass; its readings come back here. */
function CutIt({ mate, unit }: { mate: Mate; unit: string }) {
  const [, go] = useLocation();
  const [refused, setRefused] = useState<Problem | null>(null);
  const plan = mate.links.find((link) => link.calculator === 'plan');
  if (!plan || mate.answer.stands !== 'left') return null;
  const start = async (simulated: boolean) => {
    setRefused(null);
    try {
      const cut = await startCut({ question: plan.question, unit, mate_id: mate.id, simulated });
      go(`/to-size/${cut.id}`);
    } catch (error) {
      setRefused(refusalOf(error));
    }
  };
  return (
    <>
      <Button look="main" className="px-5 text-xl" onClick={() => void start(false)}>
        {mate.make === 'hole' ? 'Bore it, pass by pass' : 'Turn it, pass by pass'}
      </Button>
      <Button onClick={() => void start(true)}>On the simulated lathe</Button>
      {refused && <Said problem={refused} />}
    </>
  );
}

interface BenchProps {
  mate: Mate;
  act: ReturnType<typeof useMateAct>;
  unit: string;
  undo: () => void;
}

const DARK = 'border-plate-line bg-plate! px-5 py-3 text-2xl text-plate-ink!';

/** The one number to reach alone on the screen, with one field and one undo. */
function BenchMate({ mate, act, unit, undo }: BenchProps) {
  const field = useRef<HTMLInputElement>(null);
  const [stop] = stopsAmong(mate.cautions);
  const { does, number, under } = numberOf(mate);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && closeOver()}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => {
            event.preventDefault();
            if (!touched()) field.current?.focus();
          }}
          className="fixed inset-0 z-50 flex flex-col overflow-auto bg-plate p-5 text-plate-ink sm:p-8">
          <Dialog.Title className="text-2xl text-plate-soft">{mate.title}</Dialog.Title>
          <div className="flex flex-1 flex-col items-center justify-center text-center" aria-live="polite">
            <p className={`text-4xl ${stop ? 'font-semibold text-stop-plate' : 'text-plate-soft'}`}>
              {stop ? 'Stop' : does}
            </p>
            <p className={`leading-none font-bold ${stop ? 'text-[min(9vw,5rem)]' : 'figures text-[min(18vw,12rem)]'}`}>
              {stop ? sentenced(stop.instead) : number}
            </p>
            <p className="mt-4 max-w-4xl text-3xl text-plate-soft max-sm:text-2xl">{stop ? stop.says : under}</p>
          </div>
          <div className="rounded-lg bg-paper p-3 text-ink">
            <ReadingOf mate={mate} act={act} unit={unit} field={field} />
          </div>
          <div className="mt-3 flex flex-wrap justify-between gap-3">
            <Button className={DARK} onClick={closeOver}>
              Close
            </Button>
            <Button className={DARK} onClick={undo} disabled={mate.undoes === null}>
              Undo the last
            </Button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function numberOf({ answer, headline }: Mate): { does: string; number: string; under: string } {
  const { low_mm: low, high_mm: high, left_mm: left } = answer;
  const limits = low && high ? `${low.shown} to ${high.shown} ${high.unit}` : '';
  if (answer.stands === 'left' && left)
    return {
      does: 'Still to come off, on diameter',
      number: left.shown,
      under: `${left.unit}: ${answer.wind}. Make it ${limits}`,
    };
  if (answer.stands === 'fits') return { does: 'It fits', number: headline.split(' free')[0]!, under: answer.says };
  return limits
    ? { does: 'Make it', number: `${low!.shown} to ${high!.shown}`, under: answer.says }
    : { does: 'Now', number: headline, under: answer.says };
}
