import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { type Schemas, call } from '../../api/client';
import { type Part, said, useBegun } from '../../api/parts';
import { refusalOf } from '../../api/queries';
import { StageView } from '../../drawings/StageView';
import { Both } from '../../parts/Both';
import { Button } from '../../parts/Button';
import { Said } from '../../parts/Said';
import { usePrefs } from '../../state/prefs';
import type { Act } from './PartRoom';

const HOW = 'bore 22 H7, from 0 to 60';

interface Drawing {
  metal: string;
  blank: string;
  lines: string[];
  notes: string;
  alike: string;
  harden: boolean;
}

const drawingOf = (part: Part): Drawing => ({
  metal: part.metal,
  blank: part.blank_typed,
  lines: part.features.map((one) => one.typed),
  notes: part.notes.join('\n'),
  alike: String(part.alike),
  harden: part.harden,
});

/** What the part is: its blank and its features, a sentence each, drawn as they are typed and saved together. */
export function Features({ part, act }: { part: Part; act: Act }) {
  const { unit } = usePrefs();
  const now = drawingOf(part);
  // As it was begun, and after each change: the last is on top. Unchanged, it is as it is kept.
  const [history, setHistory] = useState<Drawing[]>([]);
  const drawing = history.at(-1) ?? now;
  const { metal, blank, lines, notes, alike, harden } = drawing;
  const changed = history.length > 0;
  const version = useBegun(part, now, changed);
  const [moving, move] = useState<number | null>(null);
  const page = part.features.length ? part.unit : unit;
  const look = useLook(
    { name: part.name, metal, blank, features: lines.filter((one) => one.trim()), unit: page },
    changed,
  );
  // Letters of one word are one change.
  const put = (next: Partial<Drawing>, typing = false) => {
    const after = { ...drawing, ...next };
    setHistory((before) => (typing && before.length > 0 ? [...before.slice(0, -1), after] : [...before, after]));
  };
  const putLines = (next: string[]) => put({ lines: next });
  const save = (sure = false, on = version) =>
    act.mutate(
      {
        what: 'drawn',
        how: 'PUT',
        version: on,
        body: {
          metal,
          blank,
          features: lines,
          notes: notes.split('\n').filter((one) => one.trim()),
          tries: part.tries,
          alike: Number(alike) || 1,
          harden,
          schools: part.schools,
          sure,
          unit: page,
        },
      },
      { onSuccess: () => setHistory([]) },
    );
  const refused = refusalOf(act.error);
  // Drawn in another window meanwhile: both are shown.
  const stale = changed && version !== part.version;
  const cut = (n: number) => putLines(lines.filter((_, at) => at !== n));
  const copy = (n: number) => putLines([...lines.slice(0, n + 1), lines[n]!, ...lines.slice(n + 1)]);
  const drop = (to: number) => {
    if (moving !== null && moving !== to) putLines(moved(lines, moving, to));
    move(null);
  };
  const spoken = answers(lines, look?.lines ?? []);
  // What is typed anew is said back whole: so it is seen how it was understood.
  const kept = new Set(part.features.map((one) => one.typed));
  return (
    <section className="space-y-3 rounded-lg border border-line bg-card p-4 max-sm:p-2" aria-label="As drawn">
      <h2 className="text-xl font-semibold">As drawn, in {page === 'inch' ? 'inches' : 'mm'}</h2>
      {look?.drawn && <StageView stage={look.drawn} label={`${part.name} as it will be`} />}
      <div className="grid grid-cols-[auto_1fr] items-center gap-x-3 gap-y-2">
        <Box
          label="Metal"
          value={metal}
          put={(text) => put({ metal: text }, true)}
          placeholder={look?.metal || 'brass'}
        />
        <Box label="From" value={blank} put={(text) => put({ blank: text }, true)} placeholder="bar 25" />
      </div>
      <ol className="space-y-1.5">
        {lines.map((line, n) => (
          <li
            key={n}
            onDragOver={(event) => event.preventDefault()}
            onDrop={() => drop(n)}
            className={moving === n ? 'opacity-50' : ''}>
            <div className="flex items-center gap-1">
              <span
                draggable
                aria-hidden
                title="Drag it to its place"
                onDragStart={() => move(n)}
                onDragEnd={() => move(null)}
                className="cursor-grab px-1 text-soft select-none max-sm:hidden">
                ⠿
              </span>
              <textarea
                aria-label={`Feature ${n + 1}`}
                aria-invalid={Boolean(spoken[n]?.problem)}
                value={line}
                placeholder={HOW}
                rows={1}
                onKeyDown={(event) => {
                  if (event.key === 'Enter') event.preventDefault();
                  if (!event.altKey || !(event.key === 'ArrowUp' || event.key === 'ArrowDown')) return;
                  event.preventDefault();
                  const to = n + (event.key === 'ArrowUp' ? -1 : 1);
                  if (to >= 0 && to < lines.length) putLines(moved(lines, n, to));
                }}
                onChange={(event) =>
                  put(
                    { lines: lines.map((one, at) => (at === n ? event.target.value.replace(/\n/g, ' ') : one)) },
                    true,
                  )
                }
                className={`min-h-11 min-w-0 flex-1 resize-none field-sizing-content rounded border bg-paper px-2 py-2 ${spoken[n]?.problem ? 'border-stop-edge' : 'border-line'}`}
              />
              <Button look="quiet" aria-label={`Copy feature ${n + 1}`} onClick={() => copy(n)}>
                copy
              </Button>
              <Button look="quiet" aria-label={`Remove feature ${n + 1}`} onClick={() => cut(n)}>
                ✕
              </Button>
            </div>
            {spoken[n] && (
              <p className={spoken[n].problem ? 'text-stop-edge' : 'text-soft'}>
                {spoken[n].problem ||
                  (kept.has(line) ? spoken[n].operations : `${spoken[n].says}: ${spoken[n].operations}`)}
                {spoken[n].also.length > 0 && `. Kept as ${spoken[n].also.length + 1} lines.`}
                {spoken[n].suggest && ` Say ${spoken[n].suggest}`}
              </p>
            )}
          </li>
        ))}
      </ol>
      <WholePart
        unit={page}
        take={(found) => {
          put({
            metal: found.metal || metal,
            blank: found.blank || blank,
            lines: [...lines.filter((one) => one.trim()), ...found.lines.map((one) => one.line)],
            ...(found.alike > 1 && { alike: String(found.alike) }),
          });
        }}
      />
      {look?.problem && (
        <p className="text-stop-edge">
          {look.problem} {look.suggest}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => putLines([...lines, ''])}>Add a feature</Button>
        {changed && <Button onClick={() => setHistory(history.slice(0, -1))}>Undo</Button>}
        {changed && (
          <>
            <Button look="main" onClick={() => save()} disabled={act.isPending || stale}>
              Keep it so
            </Button>
            <Button onClick={() => setHistory([])}>Undo all</Button>
          </>
        )}
      </div>
      {changed && refused && <Said problem={refused} />}
      {stale && (
        <Both
          theirs={<Brief drawing={now} />}
          mine={<Brief drawing={drawing} />}
          takeTheirs={() => setHistory([])}
          keepMine={() => save(false, part.version)}
        />
      )}
      {changed && refused?.field === 'sure' && <Button onClick={() => save(true)}>Take it all the same</Button>}
      {Object.entries(part.tries).map(([feature, mate]) => (
        <p key={feature}>
          <b>{said(part, feature)}</b> is tried with {mate}.
        </p>
      ))}
      <details open={Boolean(part.notes.length)}>
        <summary className="min-h-11 cursor-pointer py-2 text-mark">Notes, how many, hardened</summary>
        <div className="space-y-2">
          <textarea
            aria-label="Notes on the drawing, a line each"
            value={notes}
            rows={Math.max(2, notes.split('\n').length)}
            onChange={(event) => put({ notes: event.target.value }, true)}
            placeholder="A correction, and why"
            className="w-full rounded border border-line bg-paper p-2"
          />
          <div className="flex flex-wrap items-center gap-4">
            <label className="flex items-center gap-2">
              <span className="text-soft">How many</span>
              <input
                value={alike}
                inputMode="numeric"
                onChange={(event) => put({ alike: event.target.value }, true)}
                className="figures min-h-11 w-20 rounded border border-line bg-paper px-2"
              />
            </label>
            <label className="flex min-h-11 cursor-pointer items-center gap-2">
              <input
                type="checkbox"
                className="size-6 accent-(--mark)"
                checked={harden}
                onChange={(event) => put({ harden: event.target.checked })}
              />
              hardened when all is done
            </label>
          </div>
        </div>
      </details>
      {part.wanted.length > 0 && (
        <p>
          <b>Wanted:</b> {part.wanted.join(', ')}.
        </p>
      )}
    </section>
  );
}

function Brief({ drawing }: { drawing: Drawing }) {
  return (
    <ul>
      <li className="text-soft">
        {drawing.metal} {drawing.blank}
      </li>
      {drawing.lines.map((line, n) => (
        <li key={n}>{line}</li>
      ))}
      {drawing.notes && <li className="text-soft">{drawing.notes}</li>}
    </ul>
  );
}

type Look = Schemas['LookOut'];

/** The part as it is being typed: one round trip a change, a stale reply dropped, the last one kept meanwhile. */
type Told = Schemas['ToldOut'];

/** A whole part typed or pasted at once: taken apart into its blank and a line for each feature. */
function WholePart({ unit, take }: { unit: string; take: (found: Told) => void }) {
  const [text, setText] = useState('');
  const told = useMutation({
    mutationFn: () => call<Told>('POST', '/parts/told', { text, unit }),
    onSuccess: (found) => {
      take(found);
      // What nothing was made of stays where it was typed.
      if (found.lines.length) setText('');
    },
  });
  const refused = refusalOf(told.error);
  return (
    <details>
      <summary className="min-h-11 cursor-pointer py-2 text-mark">Tell it all at once</summary>
      <div className="space-y-2 pt-1">
        <textarea
          aria-label="The whole part"
          value={text}
          maxLength={2000}
          rows={3}
          placeholder="peg, brass, 12 dia 40 long, one end turned to 8 for 15, 1 mm chamfer on the other"
          onChange={(event) => setText(event.target.value)}
          className="field-sizing-content w-full resize-none rounded border border-line bg-paper px-2 py-2"
        />
        <p className="text-soft">A sentence with commas, or a line for each thing. Nothing is kept until you say so.</p>
        {refused && <p className="text-stop-edge">{refused.detail}</p>}
        <Button onClick={() => told.mutate()} disabled={told.isPending || !text.trim()}>
          Take it apart
        </Button>
      </div>
    </details>
  );
}

function useLook(body: Record<string, unknown>, typing: boolean): Look | undefined {
  const { data } = useQuery({
    queryKey: ['look', body],
    queryFn: ({ signal }) => call<Look>('POST', '/parts/look', body, signal),
    enabled: typing,
    placeholderData: keepPreviousData,
    gcTime: 0,
  });
  return typing ? data : undefined;
}

/** What was answered, line by line as they stand on the page: empty lines are not asked about. */
function answers(lines: string[], found: Look['lines']): (Look['lines'][number] | undefined)[] {
  let at = 0;
  return lines.map((line) => (line.trim() ? found[at++] : undefined));
}

function moved(lines: string[], from: number, to: number): string[] {
  const next = [...lines];
  const [line] = next.splice(from, 1);
  next.splice(to, 0, line!);
  return next;
}

function Box({
  label,
  value,
  put,
  placeholder,
}: {
  label: string;
  value: string;
  put: (text: string) => void;
  placeholder: string;
}) {
  return (
    <label className="contents">
      <span className="text-soft">{label}</span>
      <input
        value={value}
        placeholder={placeholder}
        onChange={(event) => put(event.target.value)}
        className="min-h-11 min-w-0 rounded border border-line bg-paper px-2"
      />
    </label>
  );
}
