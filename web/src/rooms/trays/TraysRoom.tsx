import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { type Problem, type Schemas, call, sendFile } from '../../api/client';
import { keep } from '../../api/change';
import { client, refusalOf } from '../../api/queries';
import { Button } from '../../parts/Button';
import { Said } from '../../parts/Said';
import { offerUndo } from '../../state/undo';
import { AddTool } from './AddTool';
import { Heading } from '../../parts/Heading';

type Trays = Schemas['TraysOut'];
type Tool = Schemas['ToolOut'];
const STATES = ['missing', 'bent', 'blunt', 'sound'] as const;
const refresh = () => client.invalidateQueries();

/** The trays: what is owned, and what is missing, bent or blunt. */
export default function TraysRoom() {
  const trays = useQuery({
    queryKey: ['tools'],
    queryFn: ({ signal }) => call<Trays>('GET', '/tools', undefined, signal),
  });
  const [mark, setMark] = useState<(typeof STATES)[number]>('missing');
  const [problem, setProblem] = useState<Problem | null>(null);
  const [done, setDone] = useState('');
  const [busy, setBusy] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const before = useRef<Promise<unknown>>(Promise.resolve());
  if (!trays.data) return <p className="py-10 text-soft">Fetching the trays …</p>;
  const { tools, sets, stand_in } = trays.data;

  // One after the other: the second of two quick clicks must see what the first one did.
  const act = (doing: () => Promise<unknown>, says: string | (() => string) = '') => {
    before.current = before.current.then(() => actNow(doing, says));
    return before.current;
  };
  const actNow = async (doing: () => Promise<unknown>, says: string | (() => string)) => {
    setProblem(null);
    setDone('');
    setBusy(true);
    try {
      await doing();
      setDone(typeof says === 'string' ? says : says());
    } catch (error) {
      setProblem(refusalOf(error));
    }
    setBusy(false);
    await refresh();
  };
  const setState = (tool: Tool, state: string) =>
    call<Tool>('PATCH', `/tools/${tool.id}`, { version: tool.version, state });
  const click = (clicked: Tool) =>
    act(async () => {
      const tool = latest(clicked);
      const now = await setState(tool, tool.state === mark ? 'sound' : mark);
      await keepTool(now);
      offerUndo({ says: `${tool.name}: ${now.state}`, undo: () => setState(now, tool.state).then(refresh) });
    });
  const remove = (tool: Tool) =>
    act(async () => {
      await call('DELETE', `/tools/${tool.id}`);
      offerUndo({ says: `${tool.name} taken out`, undo: () => call('POST', `/tools/${tool.id}/back`).then(refresh) });
    });
  const bringIn = (chosen: File) => {
    let brought = '';
    return act(
      async () => {
        const { tools: count } = await sendFile<{ tools: number }>('/tools/csv', chosen);
        brought = `${count} tools brought in from ${chosen.name}.`;
      },
      () => brought,
    );
  };

  const groups = groupsOf(tools);
  return (
    <div className="space-y-5">
      <Heading className="text-3xl font-semibold">Trays</Heading>
      {stand_in && (
        <p className="border-l-6 border-mark bg-mark-wash px-3 py-2">
          No tool of yours is kept yet: these belong to an invented workshop. Add a set below, or bring in a table.
        </p>
      )}
      <div className="flex flex-wrap items-center gap-3">
        <div role="radiogroup" aria-label="A click marks a tool" className="flex flex-wrap items-center">
          <span className="pr-2 text-lg">A click marks it</span>
          {STATES.map((state) => (
            <Button
              key={state}
              role="radio"
              aria-checked={mark === state}
              look={mark === state ? 'main' : 'plain'}
              onClick={() => setMark(state)}>
              {state}
            </Button>
          ))}
        </div>
        <a href="/api/tools/csv" download className="inline-flex min-h-11 items-center text-mark">
          Save as CSV
        </a>
        <Button onClick={() => file.current?.click()} disabled={busy}>
          {busy ? 'Working …' : 'Bring in a CSV'}
        </Button>
        <input
          ref={file}
          type="file"
          accept=".csv,text/csv"
          aria-label="CSV file"
          className="hidden"
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            if (chosen) void bringIn(chosen);
            event.target.value = '';
          }}
        />
      </div>
      <div aria-live="polite">
        {problem && <Said problem={problem} />}
        {done && <p className="border-l-6 border-mark bg-mark-wash px-3 py-2">{done}</p>}
      </div>
      {groups.map(([name, own]) => (
        <section key={name} aria-label={name}>
          <h2 className="text-xl font-semibold first-letter:uppercase">
            {name} <span className="text-base font-normal text-soft">{counted(own)}</span>
          </h2>
          <div className="mt-1 flex flex-wrap gap-1">
            {own.map((tool) => (
              <ToolButton key={`${tool.id}-${tool.name}`} tool={tool} fixed={stand_in} click={() => void click(tool)} />
            ))}
          </div>
        </section>
      ))}
      <section aria-labelledby="sets" className="border-t border-line pt-4">
        <h2 id="sets" className="text-xl font-semibold">
          Add a whole set
        </h2>
        <div className="mt-2 flex flex-wrap gap-2">
          {sets.map((set) => (
            <Button
              key={set.key}
              disabled={busy}
              onClick={() => void act(() => call('POST', `/tools/sets/${set.key}`), `Added: ${set.name}.`)}>
              {set.name}
            </Button>
          ))}
        </div>
      </section>
      <AddTool done={(name) => void act(() => Promise.resolve(), `Added: ${name}.`)} />
      {!stand_in && <TakeOut tools={tools} remove={(tool) => void remove(tool)} />}
    </div>
  );
}

function latest(tool: Tool): Tool {
  return client.getQueryData<Trays>(['tools'])?.tools.find(({ id }) => id === tool.id) ?? tool;
}

async function keepTool(tool: Tool): Promise<void> {
  const trays = client.getQueryData<Trays>(['tools']);
  if (!trays) return;
  await keep(['tools'], { ...trays, tools: trays.tools.map((one) => (one.id === tool.id ? tool : one)) });
}

function groupsOf(tools: Tool[]): [string, Tool[]][] {
  const groups = new Map<string, Tool[]>();
  for (const tool of tools) {
    const name = tool.series ? `${tool.series} ${tool.kind}s` : `${tool.kind}s`;
    groups.set(name, [...(groups.get(name) ?? []), tool]);
  }
  return [...groups];
}

function counted(tools: Tool[]): string {
  const gone = tools.filter((tool) => tool.state !== 'sound').length;
  return gone ? `${tools.length}, ${gone} of them not to be used` : `${tools.length}`;
}

function ToolButton({ tool, fixed, click }: { tool: Tool; fixed: boolean; click: () => void }) {
  const sound = tool.state === 'sound';
  const more = [
    tool.most_rpm && `${tool.most_rpm} rev/min at most`,
    tool.resolution_mm && `reads ${tool.resolution_mm}`,
    tool.lead_mm && `lead ${tool.lead_mm}`,
    tool.width_mm && `${tool.width_mm} thick`,
    tool.bore_mm && `bore ${tool.bore_mm}`,
    tool.detail && !tool.name.startsWith(tool.detail) ? tool.detail : '',
  ].filter(Boolean);
  return (
    <button
      type="button"
      disabled={fixed}
      onClick={click}
      className={`min-h-12 min-w-18 rounded border px-2 py-1 text-left leading-tight enabled:cursor-pointer ${
        sound
          ? 'border-line bg-card enabled:hover:border-ink'
          : 'border-dashed border-straw-edge bg-straw text-straw-ink'
      }`}>
      <span className={`figures block text-base font-bold ${tool.state === 'missing' ? 'line-through' : ''}`}>
        {tool.name.replace(/^letter /, '')}
      </span>
      <span className="block text-base">{sound ? more.join(', ') || tool.size_mm.toFixed(2) : tool.state}</span>
    </button>
  );
}

function TakeOut({ tools, remove }: { tools: Tool[]; remove: (tool: Tool) => void }) {
  const [id, setId] = useState('');
  const tool = tools.find((one) => String(one.id) === id);
  return (
    <section aria-labelledby="out" className="border-t border-line pt-4">
      <h2 id="out" className="text-xl font-semibold">
        Take one out
      </h2>
      <div className="mt-2 flex flex-wrap gap-2">
        <select
          aria-label="Tool to take out"
          value={id}
          onChange={(event) => setId(event.target.value)}
          className="min-h-11 rounded border border-line bg-card px-2 text-lg">
          <option value="">choose a tool</option>
          {tools.map((one) => (
            <option key={one.id} value={one.id}>
              {one.kind} {one.name}
            </option>
          ))}
        </select>
        <Button
          disabled={!tool}
          onClick={() => {
            if (tool) remove(tool);
            setId('');
          }}>
          Take it out
        </Button>
      </div>
    </section>
  );
}
