import { useState } from 'react';
import { Link } from 'wouter';
import { type PartLine, useEngineWork, useTonight } from '../../api/parts';
import { useEngines } from '../../api/queries';
import { Button } from '../../parts/Button';
import { Drawn } from '../../parts/Drawn';
import { usePrefs } from '../../state/prefs';
import { EngineFiles } from './EngineFiles';
import { AddParts, FirstEngine, NameEngine, remove } from './FirstEngine';
import { Wanted } from './Wanted';
import { hours } from './words';
import { Heading } from '../../parts/Heading';

/** The engines: how far each part is, what is wanted, and what can be done tonight. */
export default function EnginesRoom() {
  const engines = useEngines();
  const [chosen, choose] = useState<number | null>(null);
  const [naming, name] = useState(false);
  const all = engines.data ?? [];
  const id = all.some((one) => one.id === chosen) ? chosen! : all[0]?.id;
  if (engines.isPending) return <p className="py-10 text-soft">Fetching the engines …</p>;
  if (id === undefined) return <FirstEngine opened={choose} />;
  return (
    <div className="grid gap-x-6 gap-y-5 lg:grid-cols-[minmax(0,1.7fr)_minmax(20rem,1fr)]">
      <section className="min-w-0 space-y-4">
        <Heading className="sr-only">Engines</Heading>
        <div className="flex flex-wrap gap-2">
          {all.map((engine) => (
            <Button
              key={engine.id}
              aria-pressed={engine.id === id}
              look={engine.id === id ? 'main' : 'plain'}
              onClick={() => choose(engine.id)}>
              {engine.name}
            </Button>
          ))}
          <Button aria-expanded={naming} onClick={() => name(!naming)}>
            Another engine
          </Button>
        </div>
        {naming && (
          <NameEngine
            opened={(made) => {
              choose(made);
              name(false);
            }}
          />
        )}
        <Work key={id} id={id} />
      </section>
      <div className="min-w-0 space-y-5">
        <Tonight />
        <EngineFiles id={id} opened={choose} />
        <p>
          <Link to="/rules" className="inline-flex min-h-11 items-center text-mark underline">
            The rules of the order of work
          </Link>
        </p>
      </div>
    </div>
  );
}

function Work({ id }: { id: number }) {
  const { unit } = usePrefs();
  const { data: engine } = useEngineWork(id, unit);
  if (!engine) return <p className="py-10 text-soft">Fetching its parts …</p>;
  const done = engine.parts.filter((part) => part.operations > 0 && part.done === part.operations).length;
  return (
    <>
      {engine.parts.length > 0 && (
        <>
          <p className="text-xl">
            <b>{done}</b> of {engine.parts.length} parts done · about <b className="figures">{hours(engine.spent)}</b>{' '}
            done, <b className="figures">{hours(engine.minutes)}</b> to come
          </p>
          <ul className="divide-y divide-line border-y border-line">
            {engine.parts.map((part) => (
              <Row key={part.id} part={part} />
            ))}
          </ul>
        </>
      )}
      <AddParts engine={id} first={engine.parts.length === 0} />
      {engine.parts.length > 0 && <Wanted key={id} engine={id} />}
      <Button look="quiet" className="-ml-3 text-soft" onClick={() => void remove(`/engines/${id}`, engine.name)}>
        Remove this engine
      </Button>
    </>
  );
}

function Row({ part }: { part: PartLine }) {
  const share = part.operations ? part.done / part.operations : 0;
  return (
    <li className="flex items-center">
      <Link
        to={`/engines/part/${part.id}`}
        className="grid min-h-14 min-w-0 flex-1 grid-cols-[1fr_auto] items-center gap-x-4 py-1.5 hover:bg-mark-wash">
        <span className="min-w-0">
          <span className="block text-xl font-semibold [overflow-wrap:anywhere]">{part.name}</span>
          <span className={`block text-soft ${part.problem && part.features ? 'text-stop-edge!' : ''}`}>
            {stands(part)}
          </span>
        </span>
        <span className="w-28 text-right">
          <span className="figures block font-bold">
            {part.operations ? `${part.done} of ${part.operations}` : '—'}
          </span>
          <span className="mt-1 block h-2 rounded bg-line" aria-hidden>
            <span className="block h-2 rounded bg-mark" style={{ width: `${share * 100}%` }} />
          </span>
        </span>
      </Link>
      <Button
        look="quiet"
        aria-label={`Remove ${part.name}`}
        onClick={() => void remove(`/parts/${part.id}`, part.name)}>
        ✕
      </Button>
    </li>
  );
}

function stands(part: PartLine): string {
  if (part.features === 0) return 'Not drawn yet';
  if (part.problem) return part.problem;
  if (!part.routed) return 'No route yet';
  if (!part.next) return 'Done';
  const broken = part.broken ? ` · ${part.broken} to mind` : '';
  return `Next: ${part.next}, ${part.hold}${broken}`;
}

const EVENINGS = [30, 60, 90, 120, 180];

/** So many minutes, and the set-ups that are ready and bring most. */
function Tonight() {
  const { unit } = usePrefs();
  const [minutes, setMinutes] = useState(90);
  const { data: plan } = useTonight(minutes, unit);
  return (
    <Drawn title="Tonight">
      <div className="mt-2 flex flex-wrap gap-1.5" role="group" aria-label="Minutes tonight">
        {EVENINGS.map((one) => (
          <Button
            key={one}
            look={one === minutes ? 'main' : 'plain'}
            aria-pressed={one === minutes}
            onClick={() => setMinutes(one)}>
            {one}
          </Button>
        ))}
        <span className="self-center">minutes</span>
      </div>
      {plan && plan.rows.length === 0 && (
        <p className="py-3 text-soft">Nothing that is ready fits: a longer evening, or a route to begin with.</p>
      )}
      {plan && plan.rows.length > 0 && (
        <>
          <ol className="mt-3 space-y-2">
            {plan.rows.map((row) => (
              <li key={`${row.part_id} ${row.set_up}`}>
                <Link
                  to={`/engines/part/${row.part_id}`}
                  className="block rounded-md border border-line p-2 hover:border-ink">
                  <span className="flex justify-between gap-3 text-lg font-semibold">
                    <span>
                      {row.part}, set-up {row.set_up}
                    </span>
                    <span className="figures shrink-0">{Math.round(row.minutes)} min</span>
                  </span>
                  <span className="block text-soft">{row.hold}</span>
                </Link>
              </li>
            ))}
          </ol>
          <p className="mt-2">
            <b className="figures">{Math.round(plan.taken)}</b> of {plan.minutes} minutes: as one works alone, a guess
            to be corrected.
          </p>
        </>
      )}
      {plan && plan.waiting.length > 0 && (
        <details className="mt-2">
          <summary className="min-h-11 cursor-pointer py-2 text-mark">
            What waits for something ({plan.waiting.length})
          </summary>
          <ul className="space-y-1">
            {plan.waiting.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </ul>
        </details>
      )}
    </Drawn>
  );
}
