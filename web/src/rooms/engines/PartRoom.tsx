import { useCallback, useEffect, useRef, useState } from 'react';
import { Link, useParams } from 'wouter';
import { type Part, usePart, usePartAct } from '../../api/parts';
import { refusalOf } from '../../api/queries';
import { StageView } from '../../drawings/StageView';
import { Button } from '../../parts/Button';
import { Download } from '../../parts/Download';
import { Drawn } from '../../parts/Drawn';
import { Said } from '../../parts/Said';
import { closeOver, openOver, useOver } from '../../state/dialog';
import { useKey } from '../../state/keys';
import { usePrefs } from '../../state/prefs';
import { BenchRoute } from './BenchRoute';
import { Broken } from './Broken';
import { EditRoute } from './EditRoute';
import { Features } from './Features';
import { GoesWith } from './GoesWith';
import { Schools } from './Schools';
import { SetUps } from './SetUps';
import { WorkedOut } from './WorkedOut';
import { hours } from './words';
import { Heading } from '../../parts/Heading';

export type Act = ReturnType<typeof usePartAct>;

/** A part: what it is, how it is made, how far it is, and how it stands after each set-up. */
export default function PartRoom() {
  const id = Number(useParams<{ part: string }>().part);
  const { unit } = usePrefs();
  const { data: part, error } = usePart(id, unit);
  const act = usePartAct(id, unit);
  const problem = refusalOf(error);
  if (problem) {
    return (
      <div className="max-w-3xl space-y-4">
        <Said problem={problem} />
        <Link to="/engines" className="text-mark">
          All engines
        </Link>
      </div>
    );
  }
  if (!part) return <p className="py-10 text-soft">Fetching the part …</p>;
  return <Whole key={part.id} part={part} act={act} />;
}

function Whole({ part, act }: { part: Part; act: Act }) {
  const { keys, unit } = usePrefs();
  const bench = useOver() === 'bench';
  const now = part.route.findIndex((one) => !one.done);
  const [shown, show] = useState<number | null>(null);
  const [editing, edit] = useState(false);
  const at = shown ?? (now < 0 ? part.route.length : now + 1);
  const routed = part.route.length > 0;
  useKey(
    'b',
    useCallback(() => {
      if (routed) openOver('bench');
    }, [routed]),
  );
  const refused = refusalOf(act.error);
  const drawn = part.features.length > 0;
  const proposes = useRef<HTMLButtonElement>(null);
  const was = useRef(drawn);
  useEffect(() => {
    // Kept for the first time: the route is what comes next.
    if (drawn && !was.current) proposes.current?.focus();
    was.current = drawn;
  }, [drawn]);
  if (!drawn) {
    return (
      <div className="space-y-4">
        <Named part={part} />
        <Features part={part} act={act} />
      </div>
    );
  }
  const propose = () => {
    show(null);
    act.mutate({ what: 'propose', how: 'POST', body: {} });
  };
  return (
    <div className="grid gap-x-6 gap-y-5 lg:grid-cols-[minmax(0,1.4fr)_minmax(22rem,1fr)]">
      <div className="min-w-0 space-y-4">
        <Named part={part} />
        {part.problem ? (
          <p className="rounded-r-md border-l-6 border-straw-edge bg-straw px-3 py-2 text-xl text-straw-ink">
            {part.problem}
          </p>
        ) : (
          <NextPlate part={part} />
        )}
        {refused && <Said problem={refused} />}
        <div className="flex flex-wrap gap-2">
          <Button
            ref={proposes}
            look={routed ? 'plain' : 'main'}
            onClick={propose}
            disabled={act.isPending || Boolean(part.problem)}>
            {act.isPending ? 'Working it out …' : routed ? 'Propose anew' : 'Propose a route'}
          </Button>
          {routed && (
            <>
              <Button look="main" onClick={() => openOver('bench')}>
                Bench view {keys && <kbd className="text-base">B</kbd>}
              </Button>
              <Button aria-pressed={editing} onClick={() => edit(!editing)}>
                {editing ? 'Leave it as it was' : 'Change the route'}
              </Button>
            </>
          )}
        </div>
        <Broken part={part} act={act} />
        {editing ? (
          <EditRoute part={part} act={act} done={() => edit(false)} />
        ) : (
          <SetUps part={part} act={act} shown={at} show={show} />
        )}
        <Schools part={part} />
        {part.reasons.length > 0 && !editing && (
          <details>
            <summary className="min-h-11 cursor-pointer py-2 text-lg text-mark">Why so</summary>
            <ul className="space-y-1">
              {part.reasons.map((one) => (
                <li key={one.rule + one.says}>{one.says}</li>
              ))}
            </ul>
          </details>
        )}
      </div>
      <div className="min-w-0 space-y-5">
        {part.stages.length > 0 && <Played part={part} at={Math.min(at, part.stages.length - 1)} show={show} />}
        <WorkedOut part={part} />
        <GoesWith part={part} />
        <Features part={part} act={act} />
        {routed && (
          <div className="flex flex-wrap gap-2">
            <Download href={`/api/parts/${part.id}/sheet.pdf?unit=${unit}`}>Sheet, A4</Download>
            <Download href={`/api/parts/${part.id}/sheet.pdf?paper=letter&unit=${unit}`}>Sheet, letter</Download>
            <Download href={`/api/parts/${part.id}/sheet.md?unit=${unit}`}>Markdown</Download>
          </div>
        )}
      </div>
      {bench && <BenchRoute part={part} act={act} close={closeOver} />}
    </div>
  );
}

function Named({ part }: { part: Part }) {
  return (
    <div className="flex flex-wrap items-baseline justify-between gap-2">
      <Heading className="min-w-0 text-2xl font-semibold [overflow-wrap:anywhere]">{part.name}</Heading>
      <Link to="/engines" className="inline-flex min-h-11 items-center text-mark">
        {part.engine || 'All engines'}
      </Link>
    </div>
  );
}

/** The line that comes next, as large as can be read from the lathe. */
function NextPlate({ part }: { part: Part }) {
  const up = part.route.find((one) => !one.done);
  if (part.route.length === 0) {
    return <p className="text-xl">It is drawn. A route says how it is held, and what is done in which order.</p>;
  }
  if (!up) {
    return (
      <div className="rounded-lg border-4 border-double border-plate-line bg-plate p-5 text-plate-ink">
        <p className="text-5xl font-bold">Done</p>
      </div>
    );
  }
  const next = up.lines.find((one) => !one.done)!;
  return (
    <div className="rounded-lg border-4 border-double border-plate-line bg-plate p-5 text-plate-ink">
      <p className="text-plate-soft">
        Set-up {part.route.indexOf(up) + 1} of {part.route.length}: {up.hold_says}
        {up.packing && `, ${up.packing}`}
      </p>
      <p className="text-5xl leading-tight font-bold max-sm:text-4xl">{next.says}</p>
      {next.belt && (
        <p className="mt-1 text-3xl">
          {next.belt} <span className="figures text-plate-soft">{Math.round(next.rpm)} rev/min</span>
        </p>
      )}
      <p className="mt-2 text-plate-soft">
        {next.tool && `${next.tool} · `}
        {part.proved ? 'fewest set-ups, proved' : 'not proved the fewest'} · {hours(part.minutes)} to come
      </p>
    </div>
  );
}

/** The part as it stands after each set-up, played forward and back. */
function Played({ part, at, show }: { part: Part; at: number; show: (stage: number) => void }) {
  const up = part.route[at - 1];
  const says = up ? `After set-up ${at}: ${up.hold_says}` : 'The blank';
  return (
    <Drawn title="As it stands">
      <StageView stage={part.stages[at]!} label={`${part.name}. ${says}`} />
      <div className="flex items-center justify-between gap-2">
        <Button aria-label="The set-up before" onClick={() => show(Math.max(at - 1, 0))} disabled={at === 0}>
          ←
        </Button>
        <p className="text-center" aria-live="polite">
          {says}
        </p>
        <Button aria-label="The next set-up" onClick={() => show(at + 1)} disabled={at >= part.stages.length - 1}>
          →
        </Button>
      </div>
    </Drawn>
  );
}
