import { useState } from 'react';
import { Link, useLocation } from 'wouter';
import type { Problem, Schemas } from '../api/client';
import { fetchMateBack, startMate, throwMate, useMates } from '../api/mates';
import { refusalOf } from '../api/queries';
import { type Column, Ladder } from '../drawings/Ladder';
import type { Extras, Given } from '../house';
import { Big, Plate } from '../parts/AnswerPlate';
import { Button } from '../parts/Button';
import { Drawn } from '../parts/Drawn';
import { Said } from '../parts/Said';
import { keptOn, useWork } from '../state/work';
import { offerUndo } from '../state/undo';

type Reply = Schemas['MateReply'];
type Answer = Reply['answer'];
type Mate = Given<Reply>;

/** What is left on it, the largest; or the limits to make it to; or how it goes. */
export function MatePlate({ answer }: { answer: Answer }) {
  const { left_mm: left, low_mm: low, high_mm: high, clearance_low_mm: tight } = answer;
  const off = answer.stands === 'left' && left;
  return (
    <Plate>
      <dl className="flex flex-wrap items-end gap-x-8 gap-y-3">
        {off && <Big first name="Still to come off, on diameter" value={off} under={answer.wind} />}
        {!off && answer.stands && tight && <Free first figure={tight} />}
        {low && high && (
          <Big
            first={!answer.stands}
            name="Make it, smallest to largest"
            value={{ ...high, shown: `${low.shown} to ${high.shown}` }}
          />
        )}
        {!low && tight && <Free first figure={tight} />}
        {answer.clearance_hot_mm && <Big name="Free hot" value={answer.clearance_hot_mm} />}
        {!low && !tight && <Big first name="Governs" value={answer.governs_mm} />}
      </dl>
      <p className="mt-4 border-t border-plate-line pt-3 text-xl">{answer.says}</p>
      <p className="text-plate-soft">{answer.first}</p>
    </Plate>
  );
}

/** An interference is said as how tight it is. */
function Free({ figure, first = false }: { figure: Answer['governs_mm']; first?: boolean }) {
  const tight = figure.value < 0;
  const shown = { ...figure, shown: figure.shown.replace('-', '') };
  return <Big first={first} name={tight ? 'Tight now, at its tightest' : 'Free now, at its tightest'} value={shown} />;
}

/** What is there as ticks, the other's limits as a zone with its own readings on it. */
export function MateLadder({ answer, make }: { answer: Answer; make: string }) {
  const ticks = (part: string) =>
    answer.reads
      .filter((read) => read.part === part && !read.says.startsWith('Left out'))
      .map(({ size_mm: { value, shown } }) => ({ mm: value, shown }));
  const { low_mm: low, high_mm: high } = answer;
  const column = (part: 'hole' | 'shaft'): Column => ({
    name: part === make ? `${part}, to make` : part,
    look: part,
    ticks: ticks(part),
    zone:
      part === make && low && high
        ? [
            { mm: low.value, shown: low.shown },
            { mm: high.value, shown: high.shown },
          ]
        : undefined,
  });
  return (
    <Drawn title="Both parts, to scale">
      <Ladder label={`Hole and shaft: ${answer.says}`} columns={[column('hole'), column('shaft')]} />
    </Drawn>
  );
}

/** Kept with its readings from here on. */
function Start({ typed, unit, stale }: Mate) {
  const [, go] = useLocation();
  const work = useWork('mate');
  const [refused, setRefused] = useState<Problem | null>(null);
  const start = async () => {
    setRefused(null);
    try {
      const mate = await startMate({ question: typed, unit, ...keptOn(work) });
      go(`/fits/mate/${mate.id}`);
    } catch (error) {
      setRefused(refusalOf(error));
    }
  };
  return (
    <>
      <Button look="main" className="px-5 text-xl" disabled={stale} onClick={() => void start()}>
        Follow this mate
      </Button>
      {refused && <Said problem={refused} />}
    </>
  );
}

function UnderWay() {
  const mates = useMates();
  if (!mates.data) return null;
  return (
    <section aria-label="Mates under way">
      <h2 className="border-b border-line pb-2 text-xl font-semibold">Mates under way</h2>
      {mates.data.length === 0 && (
        <p className="py-2 text-soft">None yet. A mate that is followed stays here with all its readings.</p>
      )}
      <ul>
        {mates.data.map((mate) => (
          <li key={mate.id} className="flex items-center gap-2 border-b border-line py-2">
            <Link to={`/fits/mate/${mate.id}`} className="min-w-0 flex-1 no-underline">
              <span className="line-clamp-2 text-lg underline">{mate.title}</span>
              <span className="text-soft">{mate.headline}</span>
            </Link>
            <Button
              look="quiet"
              aria-label={`Throw away: ${mate.title}`}
              onClick={() => {
                void throwMate(mate.id);
                offerUndo({ says: 'Mate thrown away', undo: () => fetchMateBack(mate.id) });
              }}>
              ✕
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

export default {
  plate: ({ reply }: Mate) => <MatePlate answer={reply.answer} />,
  actions: Start,
  side: ({ reply, typed }: Mate) => <MateLadder answer={reply.answer} make={typed.make || 'shaft'} />,
  also: UnderWay,
} satisfies Extras<Reply>;
