import { useQuery } from '@tanstack/react-query';
import { type Schemas, call } from '../../api/client';
import type { Part } from '../../api/parts';
import { client, refusalOf } from '../../api/queries';
import { Button } from '../../parts/Button';
import { Said } from '../../parts/Said';
import { usePrefs } from '../../state/prefs';
import { useState } from 'react';
import type { Problem } from '../../api/client';
import { hours } from './words';

type School = Schemas['SchoolOut'];

/** Where good workers differ: both ways of this part with what each takes, and the one that is taken. */
export function Schools({ part }: { part: Part }) {
  const [open, setOpen] = useState(false);
  const { unit } = usePrefs();
  const [refused, setRefused] = useState<Problem | null>(null);
  const { data } = useQuery({
    queryKey: ['schools', part.id, part.version, unit],
    queryFn: ({ signal }) => call<School[]>('GET', `/parts/${part.id}/schools?unit=${unit}`, undefined, signal),
    enabled: open,
  });
  if (part.asks_schools.length === 0) return null;
  const take = async (school: string, way: string) => {
    setRefused(null);
    try {
      await call('POST', `/parts/${part.id}/school`, { version: part.version, school, way });
    } catch (error) {
      setRefused(refusalOf(error));
    }
    await client.invalidateQueries({ queryKey: ['part'] });
    void client.invalidateQueries({ queryKey: ['work'] });
  };
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer py-2 text-lg text-mark">Two schools</summary>
      {open && !data && <p className="text-soft">Routing both …</p>}
      {refused && <Said problem={refused} />}
      {data?.map((school) => (
        <section key={school.key} className="mb-3" aria-label={school.name}>
          <h3 className="font-semibold">{school.name}</h3>
          <div className="grid gap-3 sm:grid-cols-2">
            {school.ways.map((way) => (
              <div key={way.key} className={`rounded-lg border p-3 ${way.chosen ? 'border-mark' : 'border-line'}`}>
                <p className="text-lg font-semibold">{way.name}</p>
                {way.problem ? (
                  <p className="text-stop-edge">{way.problem}</p>
                ) : (
                  <p className="figures">
                    {way.set_ups} set-ups · {hours(way.minutes)}
                    {way.parts > 1 && ` · ${way.parts} parts of one`}
                  </p>
                )}
                <p className="text-soft">{way.costs}</p>
                {way.chosen ? (
                  <p className="mt-1 font-semibold">Taken</p>
                ) : (
                  <Button
                    className="mt-1"
                    disabled={Boolean(way.problem)}
                    onClick={() => void take(school.key, way.key)}>
                    Take it
                  </Button>
                )}
              </div>
            ))}
          </div>
        </section>
      ))}
    </details>
  );
}
