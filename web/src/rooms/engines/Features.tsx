import { type Ref, useRef, useState } from 'react';
import { type Part, said, useBegun } from '../../api/parts';
import { refusalOf } from '../../api/queries';
import { StageView } from '../../drawings/StageView';
import { Both } from '../../parts/Both';
import { Button } from '../../parts/Button';
import { Said } from '../../parts/Said';
import { usePrefs } from '../../state/prefs';
import { Begin, WholePart } from './Begin';
import { Lines } from './Lines';
import type { Act } from './PartRoom';
import { type Drawing, answers, drawingOf, useDrawing, useKinds, useLook } from './drawing';

/** What the part is: its blank and its features, a sentence each, drawn as they are typed and saved together. */
export function Features({ part, act }: { part: Part; act: Act }) {
  const { unit } = usePrefs();
  const now = drawingOf(part);
  const { drawing, changed, put, back, leave } = useDrawing(now);
  const { metal, blank, notes, alike, harden } = drawing;
  const fresh = part.features.length === 0;
  const lines = drawing.lines.length ? drawing.lines : [''];
  const version = useBegun(part, now, changed);
  const [at, enter] = useState<number | null>(null);
  const [begin, beginLines] = useState<{ line: number } | null>(null);
  const of = useRef<HTMLInputElement>(null);
  const from = useRef<HTMLInputElement>(null);
  const keepIt = useRef<HTMLButtonElement>(null);
  // What is written already is in its own unit.
  const page = fresh && !part.blank_typed ? unit : part.unit;
  const written = lines.filter((one) => one.trim());
  const looking = changed || at !== null;
  const look = useLook(
    { name: part.name, metal, blank, features: written, unit: page, at: at === null ? null : (lines[at] ?? '') },
    looking,
  );
  const kinds = useKinds(page, at !== null) ?? [];
  const putLines = (next: string[], typing = false) => put({ lines: next }, typing);
  const save = (sure = false, on = version) =>
    act.mutate(
      {
        what: 'drawn',
        how: 'PUT',
        version: on,
        body: {
          metal,
          blank,
          features: written,
          notes: notes.split('\n').filter((one) => one.trim()),
          tries: part.tries,
          alike: Number(alike) || 1,
          harden,
          schools: part.schools,
          sure,
          unit: page,
        },
      },
      { onSuccess: leave },
    );
  const refused = refusalOf(act.error);
  // Drawn in another window meanwhile: both are shown.
  const stale = changed && version !== part.version;
  const add = () => {
    putLines([...written, '']);
    beginLines({ line: written.length });
  };
  const spoken = answers(lines, look?.lines ?? []);
  return (
    <section className="space-y-3 rounded-lg border border-line bg-card p-4 max-sm:p-2" aria-label="As drawn">
      <h2 className="text-xl font-semibold">As drawn, in {page === 'inch' ? 'inches' : 'mm'}</h2>
      {fresh && (
        <Begin
          part={part}
          unit={page}
          take={(found) => {
            put(found);
            of.current?.focus();
          }}
        />
      )}
      <div className={fresh ? 'grid gap-x-6 gap-y-3 lg:grid-cols-[minmax(0,1.2fr)_minmax(20rem,1fr)]' : 'space-y-3'}>
        <div className={fresh ? 'self-start lg:sticky lg:top-4 lg:order-2' : ''}>
          {look?.drawn ? (
            <StageView stage={look.drawn} label={`${part.name} as it will be`} />
          ) : (
            fresh && <p className="py-6 text-center text-soft max-lg:hidden">It is drawn here as you type.</p>
          )}
        </div>
        <div className="min-w-0 space-y-3">
          <div className="grid grid-cols-[auto_1fr] items-center gap-x-3 gap-y-2">
            <Box
              label="Metal"
              field={of}
              value={metal}
              put={(text) => put({ metal: text }, true)}
              next={() => from.current?.focus()}
              placeholder={look?.metal || 'brass'}
            />
            <Box
              label="From"
              field={from}
              value={blank}
              put={(text) => put({ blank: text }, true)}
              next={() => beginLines({ line: 0 })}
              placeholder={page === 'inch' ? 'bar 1, 2 1/2 long' : 'bar 25, 60 long'}
            />
          </div>
          <Lines
            lines={lines}
            spoken={spoken}
            offers={look?.offers ?? []}
            kinds={kinds}
            // What is typed anew is said back whole: so it is seen how it was understood.
            kept={new Set(part.features.map((one) => one.typed))}
            placeholder={page === 'inch' ? 'bore 7/8 H7, from 0 to 2 3/8' : 'bore 22 H7, from 0 to 60'}
            put={putLines}
            at={at}
            enter={enter}
            end={() => keepIt.current?.focus()}
            begin={begin}
          />
          <p className="text-soft max-sm:hidden">
            <kbd>↓</kbd> for what may come next, <kbd>Enter</kbd> for the next line; an empty one ends.
          </p>
        </div>
      </div>
      {!fresh && (
        <details>
          <summary className="min-h-11 cursor-pointer py-2 text-mark">Tell it all at once</summary>
          <WholePart unit={page} take={(found) => put({ ...found, lines: [...written, ...(found.lines ?? [])] })} />
        </details>
      )}
      {look?.problem && (
        <p className="text-stop-edge">
          {look.problem} {look.suggest}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <Button onClick={add}>Add a feature</Button>
        {changed && <Button onClick={back}>Undo</Button>}
        {changed && (
          <>
            <Button ref={keepIt} look="main" onClick={() => save()} disabled={act.isPending || stale}>
              Keep it so
            </Button>
            <Button onClick={leave}>Undo all</Button>
          </>
        )}
      </div>
      {changed && refused && <Said problem={refused} />}
      {stale && (
        <Both
          theirs={<Brief drawing={now} />}
          mine={<Brief drawing={drawing} />}
          takeTheirs={leave}
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

interface BoxProps {
  label: string;
  value: string;
  put: (text: string) => void;
  /** On Enter. */
  next: () => void;
  placeholder: string;
  field?: Ref<HTMLInputElement>;
}

function Box({ label, value, put, next, placeholder, field }: BoxProps) {
  return (
    <label className="contents">
      <span className="text-soft">{label}</span>
      <input
        ref={field}
        value={value}
        placeholder={placeholder}
        enterKeyHint="next"
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return;
          event.preventDefault();
          next();
        }}
        onChange={(event) => put(event.target.value)}
        className="min-h-11 min-w-0 rounded border border-line bg-paper px-2"
      />
    </label>
  );
}
