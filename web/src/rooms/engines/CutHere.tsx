import { useRef, useState } from 'react';
import type { Problem } from '../../api/client';
import { startCut, useCut, useCutAct } from '../../api/cuts';
import { onceKey } from '../../api/once';
import type { Part, RouteLine } from '../../api/parts';
import { refusalOf } from '../../api/queries';
import { Button } from '../../parts/Button';
import { usePrefs } from '../../state/prefs';
import BenchCut from '../tosize/BenchCut';

/** At the lathe: what it measures now, and the cuts that bring it to size, each from the last reading. */
export function CutHere({ part, line, follow }: { part: Part; line: RouteLine; follow: (cut: number) => void }) {
  const { unit } = usePrefs();
  const [typed, setTyped] = useState('');
  const [refused, setRefused] = useState<Problem | null>(null);
  const kept = part.kept.find((one) => one.kind === 'cut' && one.feature === line.feature);
  const field = useRef<HTMLInputElement>(null);
  if (kept) {
    return (
      <div className="mt-4">
        <Button look="main" className="px-6 py-3 text-2xl" onClick={() => follow(kept.id)}>
          Follow its cuts: {kept.says}
        </Button>
      </div>
    );
  }
  const start = async () => {
    setRefused(null);
    try {
      const cut = await startCut({
        calculator: 'plan',
        question: { ...line.asked, now: typed },
        unit,
        part_id: part.id,
        feature: line.feature,
      });
      follow(cut.id);
    } catch (error) {
      setRefused(refusalOf(error));
      field.current?.focus();
    }
  };
  return (
    <form
      className="mt-4 flex flex-wrap items-center gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void start();
      }}>
      <label className="flex items-center gap-3 text-2xl">
        It measures now
        <input
          ref={field}
          value={typed}
          inputMode="decimal"
          placeholder={line.asked.now ?? 'reading'}
          onChange={(event) => setTyped(event.target.value)}
          className="figures min-h-14 w-48 rounded border border-line bg-paper px-3 text-3xl text-ink"
        />
      </label>
      <Button type="submit" look="main" className="px-6 py-3 text-2xl" disabled={!typed.trim()}>
        Plan the cuts
      </Button>
      {refused && <p className="w-full text-2xl text-stop-plate">{refused.detail}</p>}
    </form>
  );
}

/** A cut followed inside the route; at size, its line is ticked and the reading is on the part. */
export function FollowCut({ id, close, done }: { id: number; close: () => void; done: () => void }) {
  const { unit } = usePrefs();
  const { data: cut } = useCut(id);
  const act = useCutAct(id);
  if (!cut) return null;
  const { answer } = cut;
  const reads = cut.reads && (answer.passes[0]?.reads ?? true);
  return (
    <BenchCut
      cut={cut}
      act={act}
      unit={unit}
      reads={reads}
      gauge={() => undefined}
      undo={() => act.mutate({ what: 'undo', body: { event_key: onceKey(), undoes: cut.undoes } })}
      done={() => act.mutate({ what: 'done', body: { event_key: onceKey(), after: cut.last_event } })}
      close={close}
      leave="Back to the route"
      atSize={answer.state === 'inside' ? done : undefined}
    />
  );
}
