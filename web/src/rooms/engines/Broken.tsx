import { useState } from 'react';
import type { Part } from '../../api/parts';
import { Button } from '../../parts/Button';
import type { Act } from './PartRoom';

/** Each rule the route breaks, where it bites, the mend, and a way to overrule it with a reason. */
export function Broken({ part, act }: { part: Part; act: Act }) {
  if (part.broken.length === 0 && part.waved.length === 0) {
    return part.route.length > 0 ? <p className="text-lg">It breaks no rule.</p> : null;
  }
  return (
    <ul className="space-y-2" aria-label="Rules it breaks">
      {part.broken.map((one) => (
        <li
          key={one.rule + one.says}
          className={`rounded-r-md border-l-6 px-3 py-2 ${one.severity === 'Stop' ? 'border-stop-edge bg-stop text-stop-ink' : 'border-straw-edge bg-straw text-straw-ink'}`}>
          <p>
            <strong>{one.severity}</strong> <b>{one.name}.</b> {one.says}
          </p>
          {one.mend && <p>Instead: {one.mend}</p>}
          {!one.firm && <Overrule part={part} act={act} rule={one.rule} />}
        </li>
      ))}
      {part.waved.map((one) => (
        <li key={one.rule + one.says} className="rounded-r-md border-l-6 border-line bg-card px-3 py-2 text-soft">
          <b>Overruled: {one.name}.</b> {part.overruled[one.rule]}
        </li>
      ))}
    </ul>
  );
}

function Overrule({ part, act, rule }: { part: Part; act: Act; rule: string }) {
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState('');
  const save = () => {
    const set_ups = part.route.map(({ hold, packing, lines }) => ({
      hold,
      packing,
      does: lines.map((one) => one.line),
    }));
    const overruled = { ...part.overruled, [rule]: reason };
    act.mutate({ what: 'route', how: 'PUT', body: { set_ups, overruled }, version: part.version });
  };
  if (!open) {
    return (
      <Button look="quiet" className="-ml-3 text-base! underline" onClick={() => setOpen(true)}>
        Overrule it, with a reason
      </Button>
    );
  }
  return (
    <form
      className="mt-1 flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}>
      <input
        aria-label="Why it is overruled"
        placeholder="Why"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        className="min-h-11 min-w-0 flex-1 rounded border border-line bg-card px-2 text-ink"
      />
      <Button type="submit" disabled={!reason.trim() || act.isPending}>
        Overrule
      </Button>
    </form>
  );
}
