import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { type Schemas, call } from '../../api/client';
import { refusalOf } from '../../api/queries';
import { GrooveRun } from '../../drawings/GrooveRun';
import { Button } from '../../parts/Button';
import { Said } from '../../parts/Said';

type Stopping = Schemas['Stopping'];
type Belt = Schemas['Belt'];
type Try = Schemas['TryIn'];

/** The lever practised: half-nuts closed, the tool goes along, and is stopped by hand in the groove. */
export function StopInGroove({ seed, unit }: { seed: number; unit: string }) {
  const [tries, setTries] = useState<Try[]>([]);
  const [rpm, setRpm] = useState<number | null>(null);
  const play = useQuery({
    queryKey: ['groove', seed, tries, unit],
    queryFn: ({ signal }) => call<Stopping>('POST', '/practice/groove', { seed, tries, unit }, signal),
    placeholderData: keepPreviousData,
  });
  const problem = refusalOf(play.error);
  if (problem) return <Said problem={problem} />;
  if (!play.data) return null;
  const { belts } = play.data;
  const belt = belts.find((one) => one.rpm === rpm) ?? belts.find((one) => one.advised) ?? belts[0];
  if (!belt) return <p className="text-soft">This lathe has no speed slow enough for it.</p>;
  return (
    <>
      <p className="text-xl">
        <b className="font-semibold">{play.data.name}.</b> <span className="text-soft">{play.data.lesson}</span>
      </p>
      <label className="flex flex-wrap items-baseline gap-2 text-xl">
        Put it on
        <select
          value={belt.rpm}
          onChange={(event) => setRpm(Number(event.target.value))}
          className="min-h-11 rounded-md border-2 border-mark bg-card px-2 text-xl">
          {belts.map((one) => (
            <option key={one.rpm} value={one.rpm}>
              {one.position}, {one.rpm.toFixed(0)} rev/min{one.advised && ', Runk’s'}
            </option>
          ))}
        </select>
        <span className="text-soft">{belt.left_s.toFixed(1)} s across the groove</span>
      </label>
      <Tried game={play.data} />
      <Run
        key={belt.rpm}
        game={play.data}
        belt={belt}
        pulled={(pressed_s) => setTries([...tries, { rpm: belt.rpm, pressed_s }])}
      />
    </>
  );
}

interface RunProps {
  game: Stopping;
  belt: Belt;
  /** Seconds after the half-nuts were closed; null where they never were opened. */
  pulled: (seconds: number | null) => void;
}

function Run({ game, belt, pulled }: RunProps) {
  const [began, setBegan] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  const shoulder = game.long_mm + game.groove_mm;
  const last = game.tries.at(-1);
  const done = useRef(false);
  const pull = (seconds: number | null) => {
    // One lever, one try: the frame that meets the shoulder may come with the hand's own.
    if (done.current) return;
    done.current = true;
    setBegan(null);
    pulled(seconds);
  };
  useEffect(() => {
    if (began === null) return;
    const ends = ((game.run_in_mm + shoulder) / belt.mm_per_s) * 1000;
    let frame = requestAnimationFrame(function next() {
      const since = performance.now() - began;
      setNow(since);
      if (since >= ends) pull(null);
      else frame = requestAnimationFrame(next);
    });
    return () => cancelAnimationFrame(frame);
    // Only a new start begins a new run.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [began]);
  const at = began === null ? (last?.at_mm ?? -game.run_in_mm) : (now / 1000) * belt.mm_per_s - game.run_in_mm;
  const act = () => {
    if (began === null) {
      done.current = false;
      setNow(0);
      setBegan(performance.now());
    } else {
      pull((performance.now() - began) / 1000);
    }
  };
  return (
    <div className="space-y-3">
      <div className="rounded-lg border border-line bg-card p-3">
        <GrooveRun
          label={`The tool ${at.toFixed(0)} mm along, the groove from ${game.long_mm} to ${shoulder} mm`}
          at={Math.min(at, shoulder)}
          long={game.long_mm}
          groove={game.groove_mm}
          tool={game.tool_mm}
          runIn={game.run_in_mm}
          pitch={(belt.mm_per_s * 60) / belt.rpm}
          closed={began !== null}
        />
      </div>
      <Button
        look="main"
        className="min-h-20 w-full text-3xl! select-none"
        // At the press, not at its end: a tenth of a second is half a millimetre.
        onPointerDown={(event) => {
          event.preventDefault();
          act();
        }}
        onKeyDown={(event) => {
          if ((event.key !== ' ' && event.key !== 'Enter') || event.repeat) return;
          event.preventDefault();
          act();
        }}>
        {began === null ? 'Close the half-nuts' : 'Open the half-nuts'}
      </Button>
    </div>
  );
}

function Tried({ game }: { game: Stopping }) {
  const last = game.tries.at(-1);
  return (
    <div role="status">
      {last && (
        <p
          className={`mb-2 rounded-md px-4 py-2 text-2xl ${last.verdict === 'in the groove' ? 'bg-plate text-plate-ink' : 'bg-stop text-stop-ink'}`}>
          <b className="inline-block font-semibold first-letter:uppercase">{last.verdict}.</b> {last.says}
        </p>
      )}
      <p className="text-lg text-soft">{game.says}</p>
    </div>
  );
}
