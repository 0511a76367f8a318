import { type SubmitEvent, useState } from 'react';
import { Link } from 'wouter';
import { call } from '../../api/client';
import { client, refusalOf, useEngines } from '../../api/queries';
import { Button } from '../../parts/Button';
import { SlateList } from '../../parts/SlateList';
import { offerUndo } from '../../state/undo';
import { Heading } from '../../parts/Heading';

const refresh = () =>
  Promise.all([client.invalidateQueries({ queryKey: ['engines'] }), client.invalidateQueries({ queryKey: ['slate'] })]);

/** Everything kept, and the engines and parts to hang it on. */
export default function SlateRoom() {
  return (
    <div className="grid gap-8 lg:grid-cols-[minmax(0,2fr)_minmax(18rem,1fr)]">
      <section>
        <Heading className="border-b border-line pb-2 text-3xl font-semibold">Slate</Heading>
        <SlateList />
      </section>
      <Engines />
    </div>
  );
}

function Engines() {
  const engines = useEngines();
  const remove = async (path: string, name: string) => {
    await call('DELETE', path);
    await refresh();
    offerUndo({ says: `Removed ${name}`, undo: () => call('POST', `${path}/back`).then(refresh) });
  };
  return (
    <section aria-label="Engines and parts">
      <h2 className="border-b border-line pb-2 text-3xl font-semibold">Engines</h2>
      {engines.data?.length === 0 && <p className="py-3 text-soft">No engine yet. Name one, then its parts.</p>}
      {(engines.data ?? []).map((engine) => (
        <article key={engine.id} className="py-3">
          <div className="flex items-center justify-between">
            <h3 className="text-xl font-semibold">{engine.name}</h3>
            <Button
              look="quiet"
              aria-label={`Remove ${engine.name}`}
              onClick={() => void remove(`/engines/${engine.id}`, engine.name)}>
              ✕
            </Button>
          </div>
          <ul>
            {engine.parts.map((part) => (
              <li key={part.id} className="flex items-center justify-between border-b border-line">
                <Link to={`/engines/part/${part.id}`} className="inline-flex min-h-11 items-center hover:underline">
                  {part.name}
                </Link>
                <span className="flex items-center gap-1 text-soft">
                  {part.metal.replaceAll('-', ' ')}
                  <Button
                    look="quiet"
                    aria-label={`Remove ${part.name}`}
                    onClick={() => void remove(`/parts/${part.id}`, part.name)}>
                    ✕
                  </Button>
                </span>
              </li>
            ))}
          </ul>
          <AddName
            label={`New part of ${engine.name}`}
            add={(name) => call('POST', `/engines/${engine.id}/parts`, { name })}
          />
        </article>
      ))}
      <AddName label="New engine" add={(name) => call('POST', '/engines', { name })} />
    </section>
  );
}

function AddName({ label, add }: { label: string; add: (name: string) => Promise<unknown> }) {
  const [name, setName] = useState('');
  const [said, setSaid] = useState('');
  const submit = async (event: SubmitEvent) => {
    event.preventDefault();
    try {
      await add(name);
      setName('');
      setSaid('');
      await refresh();
    } catch (error) {
      setSaid(refusalOf(error)?.detail ?? 'The server does not answer; the name is still here.');
    }
  };
  return (
    <form onSubmit={(event) => void submit(event)} className="mt-2">
      <div className="flex gap-2">
        <input
          aria-label={label}
          placeholder={label}
          value={name}
          onChange={(event) => setName(event.target.value)}
          className="min-h-11 min-w-0 flex-1 rounded border border-line bg-card px-2"
        />
        <Button type="submit">Add</Button>
      </div>
      {said && (
        <p role="alert" className="text-stop-edge">
          {said}
        </p>
      )}
    </form>
  );
}
