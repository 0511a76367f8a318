import { useState } from 'react';
import type { Part } from '../../api/parts';
import { refusalOf } from '../../api/queries';
import { Button } from '../../parts/Button';
import { usePrefs } from '../../state/prefs';
import type { Act } from './PartRoom';

/** What a feature reads, typed where it is measured; it goes to everything that goes with it. */
export function Reads({
  part,
  act,
  feature,
  large = false,
}: {
  part: Part;
  act: Act;
  feature: string;
  large?: boolean;
}) {
  const { unit } = usePrefs();
  const kept = part.measured[feature] ?? '';
  const [typed, setTyped] = useState(kept);
  const refused = refusalOf(act.error);
  const save = () => {
    if (typed.trim() !== kept) act.mutate({ what: 'measure', how: 'POST', body: { feature, reading: typed, unit } });
  };
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}>
      <input
        aria-label={`What ${feature} reads`}
        value={typed}
        placeholder="reads"
        inputMode="decimal"
        onChange={(event) => setTyped(event.target.value)}
        className={`figures min-h-11 rounded border border-line bg-paper px-2 text-ink ${large ? 'w-64 text-3xl' : 'w-36'}`}
      />
      {typed.trim() !== kept && <Button type="submit">Keep</Button>}
      {refused && typed.trim() !== kept && <span className="text-stop-edge">{refused.detail}</span>}
    </form>
  );
}
