import { useState } from 'react';
import type { Part } from '../../api/parts';
import { refusalOf } from '../../api/queries';
import { Button } from '../../parts/Button';
import { Said } from '../../parts/Said';
import { usePrefs } from '../../state/prefs';
import type { Act } from './PartRoom';

const HOW = 'bore 22 H7, from 0 to 60';

/** What the part is: its blank and its features, a sentence each, saved together. */
export function Features({ part, act }: { part: Part; act: Act }) {
  const { unit } = usePrefs();
  const [blank, setBlank] = useState(part.blank);
  const [metal, setMetal] = useState(part.metal);
  const [lines, setLines] = useState<string[]>(part.features.map((one) => one.typed));
  const [notes, setNotes] = useState(part.notes.join('\n'));
  const [alike, setAlike] = useState(String(part.alike));
  const [harden, setHarden] = useState(part.harden);
  const [changed, setChanged] = useState(false);
  const put = (next: string[]) => {
    setLines(next);
    setChanged(true);
  };
  const save = (sure = false) =>
    act.mutate({
      what: 'drawn',
      how: 'PUT',
      body: {
        version: part.version,
        metal,
        blank,
        features: lines,
        notes: notes.split('\n').filter((one) => one.trim()),
        tries: part.tries,
        alike: Number(alike) || 1,
        harden,
        schools: part.schools,
        sure,
        unit: part.features.length ? part.unit : unit,
      },
    });
  const refused = refusalOf(act.error);
  const cut = (n: number) => put(lines.filter((_, at) => at !== n));
  const copy = (n: number) => put([...lines.slice(0, n + 1), lines[n]!, ...lines.slice(n + 1)]);
  return (
    <section className="space-y-3 rounded-lg border border-line bg-card p-4 max-sm:p-2" aria-label="As drawn">
      <h2 className="text-xl font-semibold">As drawn, in {part.unit === 'inch' ? 'inches' : 'mm'}</h2>
      <div className="grid grid-cols-[auto_1fr] items-center gap-x-3 gap-y-2">
        <Box
          label="Metal"
          value={metal}
          put={(text) => {
            setMetal(text);
            setChanged(true);
          }}
          placeholder="brass"
        />
        <Box
          label="From"
          value={blank}
          put={(text) => {
            setBlank(text);
            setChanged(true);
          }}
          placeholder="bar 25"
        />
      </div>
      <ol className="space-y-1.5">
        {lines.map((line, n) => (
          <li key={n} className="flex items-center gap-1">
            <input
              aria-label={`Feature ${n + 1}`}
              value={line}
              placeholder={HOW}
              onChange={(event) => put(lines.map((one, at) => (at === n ? event.target.value : one)))}
              className="min-h-11 min-w-0 flex-1 rounded border border-line bg-paper px-2"
            />
            <Button look="quiet" aria-label={`Copy feature ${n + 1}`} onClick={() => copy(n)}>
              copy
            </Button>
            <Button look="quiet" aria-label={`Remove feature ${n + 1}`} onClick={() => cut(n)}>
              ✕
            </Button>
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => put([...lines, ''])}>Add a feature</Button>
        {changed && (
          <>
            <Button look="main" onClick={() => save()} disabled={act.isPending}>
              Keep it so
            </Button>
            <Button
              onClick={() => {
                setLines(part.features.map((one) => one.typed));
                setBlank(part.blank);
                setMetal(part.metal);
                setNotes(part.notes.join('\n'));
                setAlike(String(part.alike));
                setHarden(part.harden);
                setChanged(false);
              }}>
              Undo all
            </Button>
          </>
        )}
      </div>
      {changed && refused && <Said problem={refused} />}
      {changed && refused?.field === 'sure' && <Button onClick={() => save(true)}>Take it all the same</Button>}
      {Object.entries(part.tries).map(([feature, mate]) => (
        <p key={feature}>
          <b>{feature}</b> is tried with {mate}.
        </p>
      ))}
      <details open={Boolean(part.notes.length)}>
        <summary className="min-h-11 cursor-pointer py-2 text-mark">Notes, how many, hardened</summary>
        <div className="space-y-2">
          <textarea
            aria-label="Notes on the drawing, a line each"
            value={notes}
            rows={Math.max(2, notes.split('\n').length)}
            onChange={(event) => {
              setNotes(event.target.value);
              setChanged(true);
            }}
            placeholder="A correction, and why"
            className="w-full rounded border border-line bg-paper p-2"
          />
          <div className="flex flex-wrap items-center gap-4">
            <label className="flex items-center gap-2">
              <span className="text-soft">How many</span>
              <input
                value={alike}
                inputMode="numeric"
                onChange={(event) => {
                  setAlike(event.target.value);
                  setChanged(true);
                }}
                className="figures min-h-11 w-20 rounded border border-line bg-paper px-2"
              />
            </label>
            <label className="flex min-h-11 cursor-pointer items-center gap-2">
              <input
                type="checkbox"
                className="size-6 accent-(--mark)"
                checked={harden}
                onChange={(event) => {
                  setHarden(event.target.checked);
                  setChanged(true);
                }}
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
