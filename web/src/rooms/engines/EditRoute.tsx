import { useState } from 'react';
import { type Part, said, useBegun } from '../../api/parts';
import { Button } from '../../parts/Button';
import type { Act } from './PartRoom';

interface Draft {
  hold: string;
  packing: string;
  does: string[];
}

/** The route changed by hand: lines moved, ways of holding chosen, set-ups added; then checked. */
export function EditRoute({ part, act, done }: { part: Part; act: Act; done: () => void }) {
  const kept = part.route.map(({ hold, packing, lines }) => ({ hold, packing, does: lines.map((one) => one.line) }));
  const [ups, setUps] = useState<Draft[]>(kept);
  const version = useBegun(part, kept);
  const [text, setText] = useState<string | null>(null);
  const [dragged, drag] = useState<[number, number] | null>(null);
  const drop = (n: number, at: number) => {
    if (dragged) setUps(carried(ups, dragged, [n, at]));
    drag(null);
  };
  const there = new Set(ups.flatMap((one) => one.does));
  const missing = part.operations.filter((one) => !there.has(one));
  const change = (n: number, more: Partial<Draft>) =>
    setUps(ups.map((one, at) => (at === n ? { ...one, ...more } : one)));
  const move = (n: number, at: number, by: 1 | -1) => setUps(moved(ups, n, at, by));
  const save = () =>
    act.mutate(
      {
        what: 'route',
        how: 'PUT',
        version,
        body: {
          set_ups: (text === null ? ups : typed(text)).filter((one) => one.does.length > 0),
          overruled: part.overruled,
        },
      },
      { onSuccess: done },
    );
  if (text !== null) {
    return (
      <div className="space-y-3">
        <textarea
          aria-label="The route as text"
          value={text}
          rows={Math.min(30, text.split('\n').length + 2)}
          onChange={(event) => setText(event.target.value)}
          className="w-full rounded-lg border border-line bg-card p-3"
        />
        <p className="text-soft">A number begins a set-up with how it is held; under it a line for each thing done.</p>
        <div className="flex flex-wrap gap-2">
          <Button
            onClick={() => {
              setUps(typed(text));
              setText(null);
            }}>
            As lines to move
          </Button>
          <Button look="main" onClick={save} disabled={act.isPending}>
            Keep and check it
          </Button>
        </div>
      </div>
    );
  }
  return (
    <div className="space-y-3">
      {ups.map((up, n) => (
        <section
          key={n}
          className="rounded-lg border border-line p-3"
          aria-label={`Set-up ${n + 1}`}
          onDragOver={(event) => event.preventDefault()}
          onDrop={() => drop(n, up.does.length)}>
          <label className="flex flex-wrap items-center gap-2">
            <b>{n + 1}.</b>
            <select
              aria-label={`How set-up ${n + 1} is held`}
              value={up.hold}
              onChange={(event) => change(n, { hold: event.target.value })}
              className="min-h-11 min-w-0 flex-1 rounded border border-line bg-card px-2">
              {[...new Set([up.hold, ...part.holds])].map((one) => (
                <option key={one} value={one}>
                  {said(part, one)}
                </option>
              ))}
            </select>
          </label>
          <ul>
            {up.does.map((line, at) => (
              <li
                key={`${at} ${line}`}
                draggable
                onDragStart={() => drag([n, at])}
                onDragEnd={() => drag(null)}
                onDragOver={(event) => event.preventDefault()}
                onDrop={(event) => {
                  event.stopPropagation();
                  drop(n, at);
                }}
                className={`flex cursor-grab items-center gap-1 ${dragged?.[0] === n && dragged[1] === at ? 'opacity-50' : ''}`}>
                <span aria-hidden className="text-soft max-sm:hidden">
                  ⠿
                </span>
                <span className="min-w-0 flex-1">{said(part, line)}</span>
                <Button
                  look="quiet"
                  aria-label={`Earlier: ${line}`}
                  onClick={() => move(n, at, -1)}
                  disabled={n === 0 && at === 0}>
                  ↑
                </Button>
                <Button
                  look="quiet"
                  aria-label={`Later: ${line}`}
                  onClick={() => move(n, at, 1)}
                  disabled={n === ups.length - 1 && at === up.does.length - 1}>
                  ↓
                </Button>
                <Button
                  look="quiet"
                  aria-label={`Strike out: ${line}`}
                  onClick={() => change(n, { does: up.does.filter((_, k) => k !== at) })}>
                  ✕
                </Button>
              </li>
            ))}
          </ul>
          {missing.length > 0 && (
            <select
              aria-label={`Put into set-up ${n + 1}`}
              value=""
              onChange={(event) => change(n, { does: [...up.does, event.target.value] })}
              className="min-h-11 w-full rounded border border-line bg-card px-2">
              <option value="">Put in what is missing …</option>
              {missing.map((one) => (
                <option key={one}>{one}</option>
              ))}
            </select>
          )}
        </section>
      ))}
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => setUps([...ups, { hold: part.holds[0] ?? '', packing: '', does: [] }])}>
          Add a set-up
        </Button>
        <Button onClick={() => setText(asText(ups))}>As text</Button>
        <Button look="main" onClick={save} disabled={act.isPending}>
          Keep and check it
        </Button>
      </div>
    </div>
  );
}

const asText = (ups: Draft[]): string =>
  ups.map((up, n) => [`${n + 1}. ${up.hold}${up.packing && ` | ${up.packing}`}`, ...up.does].join('\n')).join('\n\n');

/** A route as typed: what is behind a number is how it is held, what is behind a bar the packing. */
function typed(text: string): Draft[] {
  const ups: Draft[] = [];
  for (const line of text.split('\n').map((one) => one.trim())) {
    const begins = /^\d+[.)]\s*([^|]*)(?:\|(.*))?$/.exec(line);
    if (begins) ups.push({ hold: begins[1]!.trim(), packing: (begins[2] ?? '').trim(), does: [] });
    else if (line && ups.length > 0) ups.at(-1)!.does.push(line.replace(/^[-*]\s*/, ''));
  }
  return ups;
}

/** A line carried from one place to another. */
function carried(ups: Draft[], from: [number, number], to: [number, number]): Draft[] {
  const next = ups.map((one) => ({ ...one, does: [...one.does] }));
  const [line] = next[from[0]]!.does.splice(from[1], 1);
  const at = from[0] === to[0] && from[1] < to[1] ? to[1] - 1 : to[1];
  next[to[0]]!.does.splice(at, 0, line!);
  return next;
}

/** A line one place on; past the end of its set-up it goes into the next. */
function moved(ups: Draft[], n: number, at: number, by: 1 | -1): Draft[] {
  const next = ups.map((one) => ({ ...one, does: [...one.does] }));
  const [line] = next[n]!.does.splice(at, 1);
  const to = at + by;
  if (to < 0) next[n - 1]!.does.push(line!);
  else if (to > next[n]!.does.length) next[n + 1]!.does.unshift(line!);
  else next[n]!.does.splice(to, 0, line!);
  return next;
}
