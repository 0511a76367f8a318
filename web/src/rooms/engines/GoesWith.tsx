import { useState } from 'react';
import { Link } from 'wouter';
import { type Part, said, usePart } from '../../api/parts';
import { call } from '../../api/client';
import { client, refusalOf, useCalculators, useEngines } from '../../api/queries';
import type { Problem } from '../../api/client';
import { Button } from '../../parts/Button';
import { Said } from '../../parts/Said';
import { usePrefs } from '../../state/prefs';
import { useOpenRoom } from '../../parts/useOpenRoom';
import { offerUndo } from '../../state/undo';

/** What each feature goes with, what that makes of it, and what it reads. */
export function GoesWith({ part }: { part: Part }) {
  const [adding, add] = useState(false);
  const again = () => client.invalidateQueries({ queryKey: ['part'] });
  const remove = async (id: number, says: string) => {
    await call('DELETE', `/fits/${id}`);
    await again();
    offerUndo({ says, undo: () => call('POST', `/fits/${id}/back`).then(again) });
  };
  const open = useOpenRoom();
  if (part.features.length === 0 || part.problem) return null;
  return (
    <section className="space-y-2 rounded-lg border border-line bg-card p-4 max-sm:p-2" aria-label="Goes with">
      <h2 className="text-xl font-semibold">Goes with</h2>
      {part.fits.length + part.asleep.length === 0 && (
        <p className="text-soft">Nothing yet. Say what it goes into, or what goes into it.</p>
      )}
      <ul className="divide-y divide-line">
        {part.fits.map((one) => (
          <li key={one.id} className="py-2">
            <p className="flex items-center justify-between gap-2">
              <span>
                <b>{said(part, one.feature)}</b>, with {one.other} of{' '}
                <Link to={`/engines/part/${one.part_id}`} className="text-mark underline">
                  {one.part}
                </Link>
                : {one.duty}
              </span>
              <Button
                look="quiet"
                aria-label={`Take apart ${one.feature} and ${one.other}`}
                onClick={() => void remove(one.id, `Taken apart: ${one.feature}`)}>
                ✕
              </Button>
            </p>
            {'duty' in one.question && (
              <button
                type="button"
                className="min-h-11 cursor-pointer text-mark hover:underline"
                onClick={() => open('mate', one.question, { part: part.id, name: part.name, feature: one.feature })}>
                Work the fit out
              </button>
            )}
            {one.target && (
              <p className="text-lg">
                Make it <b className="figures">{one.target}</b>
                {one.stands && (
                  <span className={one.stands === 'fits' ? '' : 'text-stop-edge'}> · it {STANDS[one.stands]}</span>
                )}
              </p>
            )}
            {one.says && (
              <p className="text-soft">
                {one.other} {one.reading && <b className="figures">{one.reading}</b>} {one.says}
              </p>
            )}
          </li>
        ))}
      </ul>
      {part.asleep.map((one) => (
        <p key={one} className="text-soft">
          {one}.
        </p>
      ))}
      {adding ? (
        <NewFit part={part} done={() => add(false)} />
      ) : (
        <Button onClick={() => add(true)}>Say what goes together</Button>
      )}
    </section>
  );
}

const STANDS: Record<string, string> = { fits: 'fits', large: 'is too large', small: 'is too small' };

function NewFit({ part, done }: { part: Part; done: () => void }) {
  const { unit } = usePrefs();
  const engines = useEngines();
  const duties = useCalculators()
    .data?.find((one) => one.name === 'mate')
    ?.fields.find((one) => one.name === 'duty')?.choices;
  const [mine, setMine] = useState(part.features[0]?.key ?? '');
  const [goes, setGoes] = useState('in');
  const [other, setOther] = useState(0);
  const [theirs, setTheirs] = useState('');
  const [duty, setDuty] = useState('running');
  const [refused, setRefused] = useState<Problem | null>(null);
  const there = usePart(other || part.id, unit).data;
  const parts = (engines.data ?? []).flatMap((engine) => engine.parts.filter((one) => one.id !== part.id));
  const save = async () => {
    const [hole, shaft] =
      goes === 'in'
        ? [
            { id: other, version: there?.version, key: theirs },
            { id: part.id, version: part.version, key: mine },
          ]
        : [
            { id: part.id, version: part.version, key: mine },
            { id: other, version: there?.version, key: theirs },
          ];
    try {
      await call('POST', `/fits?part=${part.id}&unit=${unit}`, {
        hole_part: hole.id,
        hole_version: hole.version,
        hole_feature: hole.key,
        shaft_part: shaft.id,
        shaft_version: shaft.version,
        shaft_feature: shaft.key,
        duty,
      });
      await client.invalidateQueries({ queryKey: ['part'] });
      done();
    } catch (error) {
      const problem = refusalOf(error);
      if (problem?.status === 409) await client.invalidateQueries({ queryKey: ['part'] });
      setRefused(problem);
    }
  };
  return (
    <form
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}>
      <Pick label="Of this part" value={mine} put={setMine} from={named(part)} />
      <Pick
        label="It"
        value={goes}
        put={setGoes}
        from={[
          ['in', 'goes into'],
          ['round', 'goes round'],
        ]}
      />
      <Pick
        label="Of part"
        value={String(other)}
        put={(id) => {
          setOther(Number(id));
          setTheirs('');
        }}
        from={[['0', 'choose a part'], ...parts.map((one): [string, string] => [String(one.id), one.name])]}
      />
      {other > 0 && there && (
        <Pick label="Its" value={theirs} put={setTheirs} from={[['', 'choose a feature'], ...named(there)]} />
      )}
      <Pick label="As" value={duty} put={setDuty} from={(duties ?? []).map((one) => [one.key, one.label])} />
      {refused && <Said problem={refused} />}
      <div className="flex gap-2">
        <Button type="submit" look="main" disabled={!other || !theirs}>
          They go together
        </Button>
        <Button onClick={done}>Leave it</Button>
      </div>
    </form>
  );
}

interface PickProps {
  label: string;
  value: string;
  put: (value: string) => void;
  from: [string, string][];
}

function Pick({ label, value, put, from }: PickProps) {
  return (
    <label className="grid grid-cols-[6rem_1fr] items-center gap-2">
      <span className="text-soft">{label}</span>
      <select
        value={value}
        onChange={(event) => put(event.target.value)}
        className="min-h-11 min-w-0 rounded border border-line bg-paper px-2">
        {from.map(([key, says]) => (
          <option key={key} value={key}>
            {says}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Features by the name they are kept by, and as their drawing has it. */
function named(part: Part): [string, string][] {
  return part.features.map((one) => [one.key, said(part, one.key)]);
}
