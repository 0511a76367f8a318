import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'wouter';
import { type Problem, type Schemas, call } from '../../api/client';
import { client, refusalOf } from '../../api/queries';
import { Button } from '../../parts/Button';
import { Said } from '../../parts/Said';
import { usePrefs } from '../../state/prefs';
import { useOpenRoom } from '../../parts/useOpenRoom';
import { offerUndo } from '../../state/undo';

type Whole = Schemas['WantedOut'];
type Want = Whole['wants'][number];
type Kit = Schemas['KitOut'];

const STATES: [Want['state'], string][] = [
  ['missing', 'missing'],
  ['ordered', 'ordered'],
  ['here', 'here'],
];

/** What the engine wants: tools and bars that are missing, bought parts, its metal, its shafts, a kit checked. */
export function Wanted({ engine }: { engine: number }) {
  const { unit } = usePrefs();
  const key = ['wanted', engine, unit];
  const { data } = useQuery({
    queryKey: key,
    queryFn: ({ signal }) => call<Whole>('GET', `/engines/${engine}/wanted?unit=${unit}`, undefined, signal),
    staleTime: 0,
  });
  const [refused, setRefused] = useState<Problem | null>(null);
  const again = () => client.invalidateQueries({ queryKey: ['wanted'] });
  const put = async (what: string, many: number, state: string) => {
    setRefused(null);
    try {
      await call('PUT', `/engines/${engine}/wanted`, { what, many, state });
      await again();
    } catch (error) {
      setRefused(refusalOf(error));
      return false;
    }
    return true;
  };
  const strike = async (one: Want) => {
    await call('DELETE', `/engines/${engine}/wanted?what=${encodeURIComponent(one.what)}`);
    await again();
    offerUndo({ says: `Struck out: ${one.what}`, undo: () => put(one.what, one.many, one.state) });
  };
  if (!data) return null;
  return (
    <>
      <section aria-label="Wanted" className="space-y-2">
        <h2 className="text-xl font-semibold">Wanted</h2>
        {data.wants.length === 0 && <p className="text-soft">Nothing is missing.</p>}
        <ul className="divide-y divide-line">
          {data.wants.map((one) => (
            <li key={one.what} className="flex flex-wrap items-center gap-x-3 py-1">
              <span className={`min-w-0 flex-1 ${one.state === 'here' ? 'text-soft line-through' : ''}`}>
                <b>
                  {one.many > 1 && `${one.many} `}
                  {one.what}
                </b>
                {one.parts.length > 0 && <span className="text-soft"> for {one.parts.join(', ')}</span>}
              </span>
              <select
                aria-label={`How ${one.what} stands`}
                value={one.state}
                onChange={(event) => void put(one.what, one.many, event.target.value)}
                className="min-h-11 rounded border border-line bg-card px-2">
                {STATES.map(([state, says]) => (
                  <option key={state} value={state}>
                    {says}
                  </option>
                ))}
              </select>
              {one.bought && (
                <Button look="quiet" aria-label={`Strike out ${one.what}`} onClick={() => void strike(one)}>
                  ✕
                </Button>
              )}
            </li>
          ))}
        </ul>
        <NewWant put={put} />
        {refused && <Said problem={refused} />}
      </section>
      <Shafts shafts={data.shafts} />
      {data.stock.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer py-2 text-lg text-mark">What it is cut from</summary>
          <ul className="space-y-1">
            {data.stock.map((one) => (
              <li key={one.says}>
                <b>{one.says}</b> <span className="text-soft">{one.parts.join(', ')}</span>
              </li>
            ))}
          </ul>
        </details>
      )}
      <KitCheck engine={engine} />
    </>
  );
}

function NewWant({ put }: { put: (what: string, many: number, state: string) => Promise<boolean> }) {
  const [typed, setTyped] = useState('');
  const add = async () => {
    const found = /^(\d+)\s+(.+)$/.exec(typed.trim());
    if (await put(found?.[2] ?? typed, Number(found?.[1] ?? 1), 'missing')) setTyped('');
  };
  return (
    <form
      className="flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}>
      <input
        aria-label="Something bought"
        value={typed}
        placeholder="12 nuts M3"
        onChange={(event) => setTyped(event.target.value)}
        className="min-h-11 min-w-0 flex-1 rounded border border-line bg-card px-2"
      />
      <Button type="submit" disabled={!typed.trim()}>
        Put on the list
      </Button>
    </form>
  );
}

function Shafts({ shafts }: { shafts: Whole['shafts'] }) {
  const open = useOpenRoom();
  if (shafts.length === 0) return null;
  return (
    <section aria-label="Along its shafts" className="space-y-1">
      <h2 className="text-xl font-semibold">Along its shafts</h2>
      {shafts.map((one) => (
        <p key={one.part_id}>
          <Link to={`/engines/part/${one.part_id}`} className="text-mark underline">
            {one.shaft}
          </Link>
          : {one.along.join(', ')}: <b className={one.over ? 'text-stop-edge' : ''}>{one.says}</b>
          {one.over && ', too much'}{' '}
          <button
            type="button"
            className="min-h-11 cursor-pointer text-mark hover:underline"
            onClick={() => open('shaft-budget', one.question)}>
            Against its frames
          </button>
        </p>
      ))}
    </section>
  );
}

function KitCheck({ engine }: { engine: number }) {
  const { unit } = usePrefs();
  const [lines, setLines] = useState('');
  const [kit, setKit] = useState<Kit | null>(null);
  const [refused, setRefused] = useState<Problem | null>(null);
  const check = async () => {
    setRefused(null);
    try {
      setKit(await call<Kit>('POST', `/engines/${engine}/kit`, { lines, unit }));
    } catch (error) {
      setRefused(refusalOf(error));
    }
  };
  return (
    <details>
      <summary className="min-h-11 cursor-pointer py-2 text-lg text-mark">Check a kit against the drawing</summary>
      <form
        className="space-y-2"
        onSubmit={(event) => {
          event.preventDefault();
          void check();
        }}>
        <textarea
          aria-label="What is in the kit, one thing a line"
          rows={5}
          value={lines}
          onChange={(event) => setLines(event.target.value)}
          placeholder={'2 cylinder castings\nbrass bar 25, 300 long\n12 nuts M3'}
          className="w-full rounded border border-line bg-card p-2"
        />
        <Button type="submit" disabled={!lines.trim()}>
          Check it
        </Button>
        {refused && <Said problem={refused} />}
      </form>
      {kit && (
        <ul className="mt-2 divide-y divide-line" aria-label="The kit against the drawing">
          {kit.rows.map((one, n) => (
            <li key={n} className="py-1">
              <b>{one.asks}</b>: {one.short ? <b className="text-stop-edge">{one.short} wanted</b> : 'there'}
              {one.has && <span className="text-soft"> ({one.has})</span>}
            </li>
          ))}
          {kit.over.length > 0 && <li className="py-1">Nothing asks for: {kit.over.join('; ')}</li>}
        </ul>
      )}
    </details>
  );
}
