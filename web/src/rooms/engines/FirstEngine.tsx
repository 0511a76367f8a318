import { useMutation, useQuery } from '@tanstack/react-query';
import { type KeyboardEvent, type SubmitEvent, useRef, useState } from 'react';
import { Link } from 'wouter';
import { type Schemas, call } from '../../api/client';
import { type Engine, client, refusalOf } from '../../api/queries';
import { Button } from '../../parts/Button';
import { Heading } from '../../parts/Heading';
import { Said } from '../../parts/Said';
import { usePrefs } from '../../state/prefs';
import { offerUndo } from '../../state/undo';
import { EngineFiles } from './EngineFiles';

type Named = Schemas['Part'];

const refresh = () => client.invalidateQueries();

/** Away with an engine or a part, and an offer to bring it back. */
export async function remove(path: string, name: string) {
  await call('DELETE', path);
  await refresh();
  offerUndo({ says: `Removed ${name}`, undo: () => call('POST', `${path}/back`).then(refresh) });
}

/** Nothing kept yet: name an engine, bring one in, or open an invented one to look at. */
export function FirstEngine({ opened }: { opened: (id: number) => void }) {
  const [look, at] = useState(false);
  return (
    <section className="max-w-3xl space-y-6">
      <Heading className="text-3xl font-semibold">Your first engine</Heading>
      <div className="space-y-2">
        <p className="text-xl">Give it a name; its parts come next.</p>
        <NameEngine opened={opened} />
      </div>
      <div className="space-y-2">
        <h2 className="text-xl font-semibold">Or look at one first</h2>
        <p className="text-soft">Invented, with every part drawn and its route worked out. It can be removed again.</p>
        <Examples opened={opened} />
      </div>
      <div className="space-y-2">
        <Button look="quiet" className="-ml-3" aria-expanded={look} onClick={() => at(!look)}>
          Or bring in a file
        </Button>
        {look && <EngineFiles opened={opened} />}
      </div>
    </section>
  );
}

/** A name, and Enter. */
export function NameEngine({ opened }: { opened: (id: number) => void }) {
  const [name, setName] = useState('');
  const made = useMutation({
    mutationFn: () => call<Engine>('POST', '/engines', { name }),
    onSuccess: async (engine) => {
      await refresh();
      opened(engine.id);
    },
  });
  const refused = refusalOf(made.error);
  return (
    <form
      className="space-y-2"
      onSubmit={(event: SubmitEvent) => {
        event.preventDefault();
        made.mutate();
      }}>
      <div className="flex gap-2">
        <input
          autoFocus
          aria-label="Name of the engine"
          placeholder="Name of the engine"
          value={name}
          maxLength={120}
          onChange={(event) => setName(event.target.value)}
          className="min-h-14 min-w-0 flex-1 rounded-md border-2 border-ink bg-card px-3 text-2xl"
        />
        <Button type="submit" look="main" disabled={made.isPending || !name.trim()}>
          Begin
        </Button>
      </div>
      {refused && <Said problem={refused} />}
    </form>
  );
}

function Examples({ opened }: { opened: (id: number) => void }) {
  const names = useQuery({
    queryKey: ['examples'],
    queryFn: ({ signal }) => call<string[]>('GET', '/examples', undefined, signal),
  });
  const open = useMutation({
    mutationFn: (name: string) => call<Engine>('POST', '/examples', { name }),
    onSuccess: async (engine) => {
      await refresh();
      opened(engine.id);
    },
  });
  const refused = refusalOf(open.error);
  return (
    <div className="space-y-2">
      <div className="flex flex-wrap gap-2">
        {(names.data ?? []).map((name) => (
          <Button key={name} disabled={open.isPending} onClick={() => open.mutate(name)}>
            {open.isPending && open.variables === name ? 'Setting it out …' : name}
          </Button>
        ))}
      </div>
      {refused && <Said problem={refused} />}
    </div>
  );
}

/** Parts of an engine: one and Enter, or a whole list pasted. */
export function AddParts({ engine, first }: { engine: number; first: boolean }) {
  const { unit } = usePrefs();
  const [text, setText] = useState('');
  const [added, setAdded] = useState<Named[]>([]);
  const field = useRef<HTMLTextAreaElement>(null);
  const add = useMutation({
    mutationFn: () => call<Named[]>('POST', `/engines/${engine}/list`, { text, unit }),
    onSuccess: async (parts) => {
      await refresh();
      setAdded(parts);
      setText('');
    },
  });
  const refused = refusalOf(add.error);
  const several = text.trim().includes('\n');
  const press = (event: KeyboardEvent) => {
    // In a list Enter makes another line of it.
    if (event.key !== 'Enter' || event.shiftKey || several || !text.trim()) return;
    event.preventDefault();
    add.mutate();
  };
  return (
    <form
      className="space-y-2"
      onSubmit={(event: SubmitEvent) => {
        event.preventDefault();
        add.mutate();
      }}>
      {first && <p className="text-xl">Which parts has it? One and Enter; or paste a list, a line for each.</p>}
      <div className="flex items-start gap-2">
        <textarea
          ref={field}
          autoFocus={first}
          aria-label="A part of it, or a list of its parts"
          placeholder={first ? 'Cover studs, stainless, 6 off' : 'Another part, or a list of them'}
          value={text}
          rows={1}
          maxLength={20000}
          onKeyDown={press}
          onChange={(event) => setText(event.target.value)}
          className="field-sizing-content max-h-80 min-h-11 min-w-0 flex-1 resize-none rounded border border-line bg-card px-2 py-2"
        />
        <Button type="submit" disabled={add.isPending || !text.trim()}>
          {several ? 'Add them' : 'Add'}
        </Button>
      </div>
      {refused && <Said problem={refused} />}
      {added.length > 0 && (
        <p role="status" className="flex flex-wrap items-center gap-x-4">
          {added.length === 1 ? `${added[0]!.name} is there.` : `${added.length} parts are there.`}
          <Link to={`/engines/part/${added[0]!.id}`} className="inline-flex min-h-11 items-center text-mark underline">
            Draw {added[0]!.name}
          </Link>
        </p>
      )}
    </form>
  );
}
