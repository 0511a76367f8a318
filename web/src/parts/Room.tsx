import { Suspense, useCallback, useEffect, useMemo, useState } from 'react';
import { call } from '../api/client';
import type { AnyReply, Calculator } from '../api/queries';
import { type Extras, type Given, extrasOf } from '../house';
import { closeOver, openOver, useOver } from '../state/dialog';
import { useKey } from '../state/keys';
import { usePrefs } from '../state/prefs';
import { AnswerPlate } from './AnswerPlate';
import { type BenchStep, BenchSteps } from './BenchSteps';
import { Button } from './Button';
import { HeldBack, StopPlate, stopsAmong } from './StopPlate';
import { Cautions } from './Cautions';
import { KeepButton } from './KeepButton';
import { Links } from './Links';
import { Question } from './Question';
import { RoomTabs } from './RoomTabs';
import { Rows, Tables } from './Rows';
import { Fetching } from './Shell';
import { StandIn } from './StandIn';
import { type Step, Working, stepsOf } from './Working';
import { columnsOf, figuresOf, inWords, parted } from './described';
import { WorkedFor } from './WorkedFor';
import { useAsked } from './useAsked';
import { Heading } from './Heading';

const NONE: Extras = {};
const fetched = new Map<string, Extras>();

/** A calculator's own file, asked for again while the server is away. */
async function fetchExtras(name: string, load: () => Promise<{ default: Extras }>): Promise<Extras> {
  for (;;) {
    try {
      const own = (await load()).default;
      fetched.set(name, own);
      return own;
    } catch {
      await new Promise((done) => setTimeout(done, 1500));
    }
  }
}

/**
 * A calculator's own file, once it is here. By hand and not by Suspense, which holds every new
 * room back a third of a second so that what stands in for it does not flicker.
 */
function useExtras(name: string): Extras | undefined {
  const [own, setOwn] = useState(fetched.get(name));
  const load = extrasOf(name);
  useEffect(() => {
    let here = true;
    if (load && !own) void fetchExtras(name, load).then((found) => here && setOwn(found));
    return () => {
      here = false;
    };
  }, [name, load, own]);
  return load ? own : NONE;
}

/** The room everybody gets: a calculator whole, drawn from its description. */
export function Room({ calculator }: { calculator: Calculator }) {
  const own = useExtras(calculator.name);
  return own ? <Furnished calculator={calculator} own={own} /> : <Fetching />;
}

function Furnished({ calculator, own }: { calculator: Calculator; own: Extras }) {
  const asked = useAsked(calculator);
  const { typed, change, reply, problem, unit, fetching } = asked;
  const bench = useOver() === 'bench';
  const ready = Boolean(reply) && !problem;
  const hasBench = !own.noBench;
  useKey(
    'b',
    useCallback(() => {
      if (ready && hasBench) openOver('bench');
    }, [ready, hasBench]),
  );
  const given: Given | null = useMemo(
    () => (reply ? { reply, typed, change, unit, stale: Boolean(problem) } : null),
    [reply, typed, change, unit, problem],
  );
  const faded = problem ? 'opacity-40' : '';
  return (
    <>
      {calculator.door.group === 'Cut' && <StandIn />}
      <div
        className={`grid gap-x-6 gap-y-5 ${own.side ? 'lg:grid-cols-[minmax(0,1.7fr)_minmax(20rem,1fr)]' : 'max-w-5xl'}`}>
        <div className="min-w-0 space-y-4">
          <RoomTabs room={calculator.door.room} />
          <Heading className="sr-only">{calculator.title}</Heading>
          <WorkedFor calculator={calculator.name} />
          <Question calculator={calculator} asked={asked} />
          {given && (
            <div className={`settles space-y-4 ${faded}`} aria-busy={fetching} inert={Boolean(problem)}>
              <Answer calculator={calculator} own={own} given={given} />
            </div>
          )}
        </div>
        {given && own.side && (
          <div className="min-w-0 space-y-5">
            <div className={`space-y-5 ${faded}`} inert={Boolean(problem)}>
              <Suspense>
                <own.side {...given} />
              </Suspense>
            </div>
            {own.also && <own.also {...given} />}
          </div>
        )}
      </div>
      {bench && ready && given && hasBench && (
        <Suspense>
          {own.bench ? (
            <own.bench {...given} close={closeOver} />
          ) : (
            <PlainBench calculator={calculator} reply={given.reply} />
          )}
        </Suspense>
      )}
    </>
  );
}

function Answer({ calculator, own, given }: { calculator: Calculator; own: Extras; given: Given }) {
  const { reply, typed, unit, stale } = given;
  const { keys } = usePrefs();
  const columns = columnsOf(calculator, reply);
  const answer = reply.answer;
  // Beside a drawing or a plate of its own, what those show is not said again.
  const left = columns.filter((column) => !column.drawn);
  const rows = left.filter((column) => column.rank === 'row');
  const folded = left.filter((column) => column.rank === 'folded');
  const stops = stopsAmong(reply.cautions);
  const worked = (table: string, row: number) =>
    call<Step[]>('POST', `/calc/${calculator.name}/working/${table}/${row}`, { ...reply.question, unit });
  return (
    <>
      {own.above && <own.above {...given} />}
      <StopPlate stops={stops} />
      <HeldBack stopped={stops.length > 0}>
        {own.plate ? <own.plate {...given} /> : <AnswerPlate columns={columns} answer={answer} />}
      </HeldBack>
      <div className="flex flex-wrap gap-2">
        {own.actions && <own.actions {...given} />}
        {!own.noBench && (
          <Button onClick={() => openOver('bench')} disabled={stale}>
            Bench view {keys && <kbd className="text-base text-soft">B</kbd>}
          </Button>
        )}
        {!own.noKeep && <KeepButton calculator={calculator.name} typed={typed} unit={unit} ready={!stale} />}
      </div>
      <Cautions cautions={reply.cautions} />
      <Tables columns={left.filter((column) => column.rank === 'big')} answer={answer} worked={worked} />
      <Suspense>{own.below && <own.below {...given} />}</Suspense>
      <Rows columns={rows} answer={answer} />
      <Tables columns={left.filter((column) => column.rank !== 'big')} answer={answer} worked={worked} />
      <Links links={reply.links} />
      <Working steps={stepsOf(figuresOf(columns, answer))}>
        <Rows columns={folded} answer={answer} />
      </Working>
    </>
  );
}

/** The bench view everybody gets: each large figure of the plate in its turn. */
function PlainBench({ calculator, reply }: { calculator: Calculator; reply: AnyReply }) {
  const steps: BenchStep[] = columnsOf(calculator, reply)
    .filter((column) => column.rank === 'big' && parted(reply.answer[column.name]))
    .map((column) => {
      const found = parted(reply.answer[column.name])!;
      return {
        does: column.label,
        number: found.shown,
        unit: found.unit,
        under: column.under ? inWords(reply.answer[column.under]) : '',
      };
    });
  return (
    <BenchSteps
      title={reply.read_as}
      stops={stopsAmong(reply.cautions)}
      steps={steps}
      ends="That is all."
      close={closeOver}
    />
  );
}
