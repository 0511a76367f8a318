import { Link, useParams } from 'wouter';
import { Suspense, useCallback, useRef } from 'react';
import { useCut, useCutAct } from '../../api/cuts';
import { onceKey } from '../../api/once';
import { refusalOf } from '../../api/queries';
import { Staircase } from '../../drawings/Staircase';
import { Button } from '../../parts/Button';
import { Cautions } from '../../parts/Cautions';
import { HeldBack, StopPlate, stopsAmong } from '../../parts/StopPlate';
import { Links } from '../../parts/Links';
import { Said } from '../../parts/Said';
import { Working, stepsOf } from '../../parts/Working';
import { closeOver, openOver, useOver } from '../../state/dialog';
import { useKey } from '../../state/keys';
import { usePrefs } from '../../state/prefs';
import { NextPlate } from './NextPlate';
import { Readings } from './Readings';
import { ReadingField } from './ReadingField';
import { Tries } from './Tries';
import { WaysOut } from './WaysOut';
import { later } from '../../parts/later';
import { Heading } from '../../parts/Heading';

const BenchCut = later(() => import('./BenchCut'));

/** A cut being brought to size: what to wind on, and the reading that comes back. */
export default function CutRoom() {
  const id = Number(useParams<{ cut: string }>().cut);
  const { unit, keys } = usePrefs();
  const { data: cut, error } = useCut(id);
  const act = useCutAct(id);
  const field = useRef<HTMLInputElement>(null);
  const bench = useOver() === 'bench';

  const gauge = useCallback(() => {
    if (!cut?.simulated || act.isPending) return;
    act.mutate({
      what: 'gauge',
      body: { event_key: onceKey(), after: cut.last_event, again: cut.answer.state !== 'cut' },
    });
  }, [cut, act]);
  useKey(
    'b',
    useCallback(() => openOver('bench'), []),
  );
  useKey('g', gauge);

  const problem = refusalOf(error);
  if (problem) {
    return (
      <div className="max-w-3xl space-y-4">
        <Said problem={problem} />
        <Link to="/to-size" className="text-mark">
          All cuts
        </Link>
      </div>
    );
  }
  if (!cut) return <p className="py-10 text-soft">Fetching the cut …</p>;
  const { answer } = cut;
  const undo = () => act.mutate({ what: 'undo', body: { event_key: onceKey(), undoes: cut.undoes } });
  // A thread too shallow for wires is cut on: there is nothing to type yet.
  const reads = cut.reads && (answer.passes[0]?.reads ?? true);
  const done = () => act.mutate({ what: 'done', body: { event_key: onceKey(), after: cut.last_event } });

  const stops = stopsAmong(cut.cautions);
  return (
    <div className="grid gap-x-6 gap-y-5 lg:grid-cols-[minmax(0,1.6fr)_minmax(20rem,1fr)]">
      <div className="min-w-0 space-y-4">
        <div className="flex flex-wrap items-baseline justify-between gap-2">
          <Heading className="text-2xl font-semibold">{cut.title}</Heading>
          <span className="flex gap-4">
            {cut.part_id && (
              <Link to={`/engines/part/${cut.part_id}`} className="inline-flex min-h-11 items-center text-mark">
                Back to its part
              </Link>
            )}
            {cut.mate_id && (
              <Link to={`/fits/mate/${cut.mate_id}`} className="inline-flex min-h-11 items-center text-mark">
                Back to its mate
              </Link>
            )}
            <Link to="/to-size" className="inline-flex min-h-11 items-center text-mark">
              All cuts
            </Link>
          </span>
        </div>
        <StopPlate stops={stops} />
        <HeldBack stopped={stops.length > 0}>
          <NextPlate plan={answer} first={cut.last_event === 0} thread={cut.tries.length > 0} />
        </HeldBack>
        {answer.ways_out.length > 0 && <WaysOut plan={answer} />}
        {reads && (
          <ReadingField cut={cut} act={act} unit={unit} field={field} gauge={cut.simulated ? gauge : undefined} />
        )}
        {!reads && act.error && <Said problem={refusalOf(act.error)!} />}
        <div className="flex flex-wrap gap-2">
          {cut.simulated && (
            <Button onClick={gauge} disabled={act.isPending}>
              {answer.state === 'cut' ? 'Make the pass, read the gauge' : 'Read the gauge'}
              {keys && <kbd className="text-base text-soft">G</kbd>}
            </Button>
          )}
          {answer.state === 'cut' && (
            <Button
              look={reads ? 'plain' : 'main'}
              className={reads ? '' : 'min-h-14 px-6 text-xl'}
              disabled={act.isPending}
              onClick={done}>
              {reads ? 'Made it, not measured' : 'Made it: the next'}
            </Button>
          )}
          <Button onClick={undo} disabled={cut.undoes === null || act.isPending}>
            Undo the last
          </Button>
          <Button onClick={() => openOver('bench')}>
            Bench view {keys && <kbd className="text-base text-soft">B</kbd>}
          </Button>
        </div>
        <Tries cut={cut} act={act} />
        <Cautions cautions={cut.cautions} />
        <Links links={cut.links} />
        <Working
          steps={stepsOf([
            answer.left_mm,
            answer.over_mm,
            answer.spring_mm,
            ...answer.passes.flatMap((pass) => [pass.take_mm, pass.to_mm]),
          ])}
        />
      </div>
      <div className="min-w-0 space-y-5">
        <div className="rounded-lg border border-line bg-card p-4 max-sm:p-2">
          <Staircase start={cut.start_mm} plan={answer} readings={cut.readings} made={cut.unmeasured} />
        </div>
        <Readings cut={cut} />
      </div>
      <Suspense>
        {bench && (
          <BenchCut
            cut={cut}
            act={act}
            unit={unit}
            reads={reads}
            gauge={gauge}
            close={closeOver}
            undo={undo}
            done={done}
          />
        )}
      </Suspense>
    </div>
  );
}
