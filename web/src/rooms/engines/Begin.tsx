import { useMutation, useQuery } from '@tanstack/react-query';
import { type SubmitEvent, useState } from 'react';
import { type Schemas, call } from '../../api/client';
import type { Part } from '../../api/parts';
import { refusalOf, useEngines } from '../../api/queries';
import { Button } from '../../parts/Button';
import { Said } from '../../parts/Said';
import { type Drawing, drawingOf } from './drawing';

type Family = Schemas['FamilyOut'];
type Take = (found: Partial<Drawing>) => void;

const WAYS = { family: 'A usual part', other: 'Another part', words: 'All in one go' } as const;
type Way = keyof typeof WAYS;

/** How a new part is begun: from a family, from another part, from its own words; or line by line below. */
export function Begin({ part, unit, take }: { part: Part; unit: 'mm' | 'inch'; take: Take }) {
  const [way, choose] = useState<Way | null>(null);
  const taken: Take = (found) => {
    choose(null);
    take(found);
  };
  return (
    <div className="space-y-3 rounded-md border border-line bg-paper p-3">
      <div className="flex flex-wrap items-center gap-2" role="group" aria-label="Begin it from">
        <span>Begin it from</span>
        {(Object.keys(WAYS) as Way[]).map((one) => (
          <Button key={one} aria-pressed={one === way} onClick={() => choose(one === way ? null : one)}>
            {WAYS[one]}
          </Button>
        ))}
      </div>
      {way === null && (
        <p className="text-soft">Or type it below: what it is cut from, then a line for each feature.</p>
      )}
      {way === 'family' && <Families unit={unit} take={taken} />}
      {way === 'other' && <Others part={part} unit={unit} take={taken} />}
      {way === 'words' && <WholePart unit={unit} take={taken} />}
    </div>
  );
}

function Families({ unit, take }: { unit: string; take: Take }) {
  const families = useQuery({
    queryKey: ['families', unit],
    queryFn: ({ signal }) => call<Family[]>('GET', `/parts/families?unit=${unit}`, undefined, signal),
    staleTime: Infinity,
  });
  const [key, choose] = useState('');
  const chosen = families.data?.find((one) => one.key === key);
  return (
    <div className="space-y-2">
      <div className="flex flex-wrap gap-2" role="group" aria-label="Usual parts">
        {(families.data ?? []).map((one) => (
          <Button key={one.key} aria-pressed={one.key === key} onClick={() => choose(one.key)}>
            {one.name}
          </Button>
        ))}
      </div>
      {chosen && <Sizes key={chosen.key} family={chosen} unit={unit} take={take} />}
    </div>
  );
}

function Sizes({ family, unit, take }: { family: Family; unit: string; take: Take }) {
  const [sizes, setSizes] = useState<Record<string, string>>({});
  const made = useMutation({
    mutationFn: () => call<Schemas['BegunOut']>('POST', '/parts/family', { family: family.key, sizes, unit }),
    onSuccess: (found) => take({ blank: found.blank, lines: found.lines }),
  });
  const refused = refusalOf(made.error);
  const submit = (event: SubmitEvent) => {
    event.preventDefault();
    made.mutate();
  };
  return (
    <form onSubmit={submit} className="space-y-2" aria-label={family.name}>
      <p className="text-soft">{family.says}</p>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(9.5rem,1fr))] gap-x-3 gap-y-2">
        {family.sizes.map((size, n) => (
          <label key={size.key} className="block">
            <span className="block text-soft">{size.label}</span>
            <input
              value={sizes[size.key] ?? ''}
              autoFocus={n === 0}
              placeholder={size.spare ? `none, or ${size.example}` : `as ${size.example}`}
              aria-invalid={refused?.field === size.key}
              onChange={(event) => setSizes({ ...sizes, [size.key]: event.target.value })}
              className={`figures min-h-11 w-full rounded border bg-card px-2 ${refused?.field === size.key ? 'border-stop-edge' : 'border-line'}`}
            />
          </label>
        ))}
      </div>
      {refused && <Said problem={refused} />}
      <Button type="submit" look="main" disabled={made.isPending}>
        Write its lines
      </Button>
    </form>
  );
}

function Others({ part, unit, take }: { part: Part; unit: string; take: Take }) {
  const engines = useEngines();
  const others = (engines.data ?? []).flatMap((engine) =>
    engine.parts.filter((one) => one.id !== part.id).map((one) => ({ ...one, engine: engine.name })),
  );
  const copy = useMutation({
    mutationFn: (id: number) => call<Part>('GET', `/parts/${id}?unit=${unit}`),
    onSuccess: (found) => {
      const drawn = drawingOf(found);
      // Bare numbers of a drawing in the other unit would mean something else here.
      const lines = found.unit === unit ? drawn.lines : found.features.map((one) => one.says);
      take({ ...drawn, blank: found.unit === unit ? drawn.blank : found.blank, lines, notes: '' });
    },
  });
  const refused = refusalOf(copy.error);
  if (others.length === 0) return <p className="text-soft">There is no other part yet.</p>;
  return (
    <label className="block">
      <span className="block text-soft">As it is drawn; this one changes alone from there</span>
      <select
        autoFocus
        defaultValue=""
        onChange={(event) => event.target.value && copy.mutate(Number(event.target.value))}
        className="min-h-11 w-full rounded border border-line bg-card px-2">
        <option value="">Which part?</option>
        {others.map((one) => (
          <option key={one.id} value={one.id}>
            {one.name} · {one.engine}
          </option>
        ))}
      </select>
      {refused && <Said problem={refused} />}
    </label>
  );
}

/** A whole part typed or pasted at once: taken apart into its blank and a line for each feature. */
export function WholePart({ unit, take }: { unit: string; take: Take }) {
  const [text, setText] = useState('');
  const told = useMutation({
    mutationFn: () => call<Schemas['ToldOut']>('POST', '/parts/told', { text, unit }),
    onSuccess: (found) => {
      take({
        ...(found.metal && { metal: found.metal }),
        ...(found.blank && { blank: found.blank }),
        lines: found.lines.map((one) => one.line),
        ...(found.alike > 1 && { alike: String(found.alike) }),
      });
      // What nothing was made of stays where it was typed.
      if (found.lines.length) setText('');
    },
  });
  const refused = refusalOf(told.error);
  return (
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
  );
}
