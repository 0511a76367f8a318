import { Link } from 'wouter';
import { removeItem } from '../../api/slate';
import { type Part, said } from '../../api/parts';
import { client } from '../../api/queries';
import { Button } from '../../parts/Button';
import { useOpenRoom } from '../../parts/useOpenRoom';
import type { Typed } from '../../state/question';
import { offerUndo } from '../../state/undo';
import { call } from '../../api/client';

type Kept = Part['kept'][number];

/** What was worked out for this part: the cuts it is brought to size by, its mates, answers kept. */
export function WorkedOut({ part }: { part: Part }) {
  if (part.kept.length === 0) return null;
  return (
    <section className="space-y-2 rounded-lg border border-line bg-card p-4 max-sm:p-2" aria-label="Worked out">
      <h2 className="text-xl font-semibold">Worked out</h2>
      <ul className="divide-y divide-line">
        {part.kept.map((one) => (
          <li key={`${one.kind} ${one.id}`} className="flex items-center justify-between gap-2 py-1.5">
            <span className="min-w-0">
              <b>{said(part, one.feature) || part.name}:</b> <Open part={part} one={one} />
              <span className="block">{one.says}</span>
            </span>
            {one.kind === 'answer' && (
              <Button look="quiet" aria-label={`Take off: ${one.title}`} onClick={() => void takeOff(one)}>
                ✕
              </Button>
            )}
            {one.kind === 'mate' && !one.feature && <OfWhich part={part} mate={one.id} />}
          </li>
        ))}
      </ul>
    </section>
  );
}

async function takeOff(one: Kept): Promise<void> {
  await removeItem(one.id);
  const again = () => client.invalidateQueries({ queryKey: ['part'] });
  await again();
  offerUndo({ says: `Taken off: ${one.says}`, undo: () => call('POST', `/slate/${one.id}/back`).then(again) });
}

function Open({ part, one }: { part: Part; one: Kept }) {
  const open = useOpenRoom();
  if (one.kind !== 'answer') {
    return (
      <Link to={one.kind === 'cut' ? `/to-size/${one.id}` : `/fits/mate/${one.id}`} className="text-mark underline">
        {one.title}
      </Link>
    );
  }
  return (
    <button
      type="button"
      className="cursor-pointer text-left text-mark underline"
      onClick={() =>
        open(one.calculator, one.question as Typed, { part: part.id, name: part.name, feature: one.feature })
      }>
      {one.title}
    </button>
  );
}

/** A mate kept before the part was drawn: which of its features it is of. */
function OfWhich({ part, mate }: { part: Part; mate: number }) {
  return (
    <select
      aria-label="Which feature is it of?"
      value=""
      onChange={(event) =>
        void call('PUT', `/mates/${mate}/of`, { part_id: part.id, feature: event.target.value }).then(() =>
          client.invalidateQueries({ queryKey: ['part'] }),
        )
      }
      className="min-h-11 rounded border border-line bg-paper px-2">
      <option value="">of which feature?</option>
      {part.features.map((one) => (
        <option key={one.key} value={one.key}>
          {said(part, one.key)}
        </option>
      ))}
    </select>
  );
}
