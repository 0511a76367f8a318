import type { Part, RouteLine, SetUp } from '../../api/parts';
import { Button } from '../../parts/Button';
import { useOpenRoom } from '../../parts/useOpenRoom';
import type { Act } from './PartRoom';
import { Reads } from './Reads';
import { hours } from './words';

const OPENS: Record<string, string> = {
  plan: 'Bring it to size',
  tap: 'Drill and tap',
  die: 'Blank and die',
  hole: 'Tool by tool',
  circle: 'Hole by hole',
  surplus: 'Share the surplus',
  true: 'Set it true',
  taper: 'Set the top slide',
  throw: 'Centres for the throw',
  harden: 'Heat and quench',
};

/** Opens a room for a feature of this part. */
function useRoom(part: Part) {
  const open = useOpenRoom();
  return (name: string, question: Record<string, string>, feature = '') =>
    open(name, question, { part: part.id, name: part.name, feature });
}

interface Shown {
  part: Part;
  act: Act;
  shown: number;
  show: (stage: number) => void;
}

/** Set-ups in order: how each is held, what is asked of it first, and what is done, to be ticked. */
export function SetUps({ part, act, shown, show }: Shown) {
  const open = useRoom(part);
  return (
    <ol className="space-y-3">
      {part.route.map((up, n) => (
        <li
          key={`${n} ${up.hold}`}
          className={`rounded-lg border p-3 ${shown === n + 1 ? 'border-mark' : 'border-line'} ${up.done ? 'opacity-70' : ''}`}>
          <div className="flex flex-wrap items-baseline justify-between gap-x-3">
            <h2 className="text-lg font-semibold">
              {n + 1}. {up.hold_says}
              {up.packing && <span className="text-straw-edge"> · {up.packing}</span>}
            </h2>
            <span className="text-soft">
              {up.machine}
              {up.minutes > 0 && ` · ${hours(up.minutes)}`}
            </span>
            <span className="-my-1 flex">
              <Button look="quiet" onClick={() => show(n + 1)}>
                Draw it
              </Button>
            </span>
          </div>
          <Before up={up} open={open} />
          <ul>
            {up.lines.map((line) => (
              <Line key={line.mark} part={part} line={line} act={act} />
            ))}
          </ul>
        </li>
      ))}
    </ol>
  );
}

/** What is asked of a set-up before its first cut; what does not stand well is open to see. */
function Before({ up, open }: { up: SetUp; open: (name: string, question: Record<string, string>) => void }) {
  const ill = up.asked.filter((one) => one.word);
  if (up.asked.length === 0 || up.done) return null;
  return (
    <details open={ill.length > 0}>
      <summary className="min-h-11 cursor-pointer py-2 text-mark">Before the first cut</summary>
      <dl className="mb-2 grid gap-x-4 gap-y-1 sm:grid-cols-[auto_1fr]">
        {up.asked.map((one) => (
          <div key={one.asks} className="contents">
            <dt className="text-soft">
              {one.room ? (
                <button
                  type="button"
                  className="cursor-pointer text-left text-mark hover:underline"
                  onClick={() => open(one.room, one.asked ?? {})}>
                  {one.asks}
                </button>
              ) : (
                one.asks
              )}
            </dt>
            <dd>
              {one.word && <b className={one.word === 'Stop' ? 'text-stop-edge' : 'text-straw-edge'}>{one.word} </b>}
              {one.says}
            </dd>
          </div>
        ))}
      </dl>
    </details>
  );
}

function Line({ part, line, act }: { part: Part; line: RouteLine; act: Act }) {
  const open = useRoom(part);
  const kept = part.kept.find(
    (one) => one.feature !== '' && one.feature === line.feature && one.calculator === line.room,
  );
  return (
    <li className="flex min-h-11 items-center gap-2 max-sm:flex-wrap max-sm:justify-end">
      <label className="flex min-w-0 flex-1 max-sm:flex-auto cursor-pointer items-center gap-3">
        <input
          type="checkbox"
          className="size-6 shrink-0 accent-(--mark)"
          checked={line.done}
          onChange={(event) =>
            act.mutate({ what: 'tick', how: 'POST', body: { mark: line.mark, done: event.target.checked } })
          }
        />
        <span className={`${line.step ? 'text-soft italic' : 'text-lg'} ${line.done ? 'line-through' : ''}`}>
          {line.says}
        </span>
      </label>
      {line.room && (
        <button
          type="button"
          onClick={() => open(line.room, line.asked, line.feature)}
          className="min-h-11 shrink-0 cursor-pointer px-2 text-mark hover:underline">
          {OPENS[line.room] ?? 'Work it out'}
          {line.to && ` for ${line.to}`}
          {kept && <span className="block text-base text-soft">{kept.says}</span>}
        </button>
      )}
      {line.belt && (
        <button
          type="button"
          onClick={() => open('speed', line.speed)}
          className="min-h-11 shrink-0 cursor-pointer text-right text-mark hover:underline">
          {line.belt}
        </button>
      )}
      {line.measures && <Reads key={part.measured[line.measures]} part={part} act={act} feature={line.measures} />}
      {line.why && <span className="text-stop-edge">{line.why}</span>}
    </li>
  );
}
