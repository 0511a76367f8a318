import type { Cut, useCutAct } from '../../api/cuts';
import { onceKey } from '../../api/once';
import { Button } from '../../parts/Button';

interface Props {
  cut: Cut;
  act: ReturnType<typeof useCutAct>;
}

/** A thread tried with its mate: how it went on, in one press. */
export function Tries({ cut, act }: Props) {
  if (cut.tries.length === 0) return null;
  const went = (word: string) =>
    act.mutate({ what: 'tried', body: { event_key: onceKey(), went: word, after: cut.last_event } });
  return (
    <div role="group" aria-label="Tried with its mate" className="flex flex-wrap items-center gap-2">
      <span className="text-lg font-semibold">{cut.reads ? 'The nut' : 'Its screw'}</span>
      {cut.tries.map((one) => (
        <Button key={one.went} disabled={act.isPending} onClick={() => went(one.went)}>
          {one.says}
        </Button>
      ))}
    </div>
  );
}
