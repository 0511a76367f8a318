import { useState } from 'react';
import type { Part, SetUp, Stage } from '../../api/parts';
import { client } from '../../api/queries';
import { StageView } from '../../drawings/StageView';
import { BenchWalk } from '../../parts/BenchWalk';
import { CutHere, FollowCut } from './CutHere';
import type { Act } from './PartRoom';
import { Reads } from './Reads';

/** The route one thing at a time: hold it so, set this, do that; ticked and undone by one key. */
export function BenchRoute({ part, act, close }: { part: Part; act: Act; close: () => void }) {
  const lines = part.route.flatMap((up, n) => up.lines.map((line) => ({ ...line, up, n })));
  const at = lines.findIndex((one) => !one.done);
  const now = at < 0 ? undefined : lines[at];
  const after = at < 0 ? undefined : lines.slice(at + 1).find((one) => !one.done);
  const last = lines.slice(0, at < 0 ? undefined : at).at(-1);
  const stop = part.broken.find((one) => one.severity === 'Stop');
  const feature = now?.measures ?? '';
  const [cut, follow] = useState<number | null>(null);
  const [held, hold] = useState(-1);
  // Asked once of each set-up nothing is done of yet: is it held as it should be?
  const holding = now !== undefined && held !== now.n && !now.up.lines.some((one) => one.done);
  const tick = (mark: string, done: boolean) => {
    if (!act.isPending) act.mutate({ what: 'tick', how: 'POST', body: { mark, done } });
  };
  if (cut !== null) {
    const back = async () => {
      follow(null);
      await client.invalidateQueries({ queryKey: ['part'] });
    };
    return (
      <FollowCut
        id={cut}
        close={() => void back()}
        done={() =>
          // Its last reading is on the part by now: ticked is what is shown since.
          void back().then(() => {
            if (now) tick(now.mark, true);
          })
        }
      />
    );
  }
  if (holding) {
    return (
      <BenchWalk
        title={part.name}
        now={<HoldIt up={now.up} says={`Set-up ${now.n + 1} of ${part.route.length}: hold it`} />}
        drawing={<StageView stage={goesIn(part, now.n)} label="As it goes in" />}
        next={`Next: ${now.says}`}
        leave="Stop here"
        going
        forward={() => hold(now.n)}
        back={last && (() => tick(last.mark, false))}
        close={close}
      />
    );
  }
  return (
    <BenchWalk
      title={part.name}
      stop={stop && `Stop. ${stop.name}: ${stop.says}`}
      now={
        now ? (
          <>
            <p className="text-3xl text-plate-soft max-sm:text-xl">
              Set-up {now.n + 1} of {part.route.length}: {now.up.hold_says}
              {now.up.packing && `, ${now.up.packing}`}
            </p>
            <p className="mt-3 text-[min(9vw,6rem)] leading-none font-bold">{now.says}</p>
            {now.belt && (
              <p className="mt-4 text-5xl max-sm:text-3xl">
                {now.belt} <span className="figures text-plate-soft">{Math.round(now.rpm)}</span>
              </p>
            )}
            {feature && (
              <div className="mt-4">
                <Reads key={now.mark + (part.measured[feature] ?? '')} part={part} act={act} feature={feature} large />
                {part.fits
                  .filter((one) => one.feature === feature && one.target)
                  .map((one) => (
                    <p key={one.id} className="mt-2 text-3xl">
                      <span className="figures font-bold">{one.target}</span> for {one.part}
                    </p>
                  ))}
              </div>
            )}
            {now.room === 'plan' && <CutHere key={now.mark} part={part} line={now} follow={follow} />}
            {now.tool && <p className="mt-2 text-3xl text-plate-soft max-sm:text-xl">{now.tool}</p>}
          </>
        ) : (
          <p className="text-6xl font-bold">All of it is done.</p>
        )
      }
      drawing={now && <StageView stage={part.stages[now.n + 1]!} label="After this set-up" />}
      next={after ? `Next: ${after.says}` : now ? 'Then it is done.' : ''}
      leave="Stop here"
      going={Boolean(now)}
      forward={() => (now ? tick(now.mark, true) : close())}
      back={last && (() => tick(last.mark, false))}
      close={close}
    />
  );
}

/** The part as the set-up before left it, in the jaws of this one. */
function goesIn(part: Part, n: number): Stage {
  const [before, after] = [part.stages[n]!, part.stages[n + 1]!];
  if (!before.section || !after.section) return before;
  return { ...before, section: { ...before.section, grips: after.section.grips } };
}

function HoldIt({ up, says }: { up: SetUp; says: string }) {
  return (
    <>
      <p className="text-3xl text-plate-soft max-sm:text-xl">{says}</p>
      <p className="mt-3 text-[min(7vw,4.5rem)] leading-none font-bold">
        {up.hold_says}
        {up.packing && `, ${up.packing}`}
      </p>
      <ul className="mt-5 space-y-2 text-2xl max-sm:text-lg">
        {up.asked.map((one) => (
          <li key={one.asks}>
            <span className="text-plate-soft">{one.asks}</span>{' '}
            {one.word && <b className={one.word === 'Stop' ? 'text-stop-plate' : ''}>{one.word}. </b>}
            {one.says}
          </li>
        ))}
      </ul>
    </>
  );
}
