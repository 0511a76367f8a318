import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { type Schemas, call } from '../../api/client';
import { refusalOf } from '../../api/queries';
import { usePrefs } from '../../state/prefs';
import { Button } from '../../parts/Button';
import { Said } from '../../parts/Said';
import { AtTheLathe, PlayedBack } from './PlayedBack';
import { StopInGroove } from './StopInGroove';
import { Heading } from '../../parts/Heading';

type Practice = Schemas['Practice'];
type Move = Schemas['MoveIn'];
type Exercise = Schemas['ExerciseOut'];

const GROOVE = 'groove';
const anySeed = () => Math.floor(Math.random() * 2 ** 31);

/** Get a piece within its limits on a lathe that is not there: nothing but pride is spoilt. */
export default function PracticeRoom() {
  const { unit } = usePrefs();
  const [exercise, setExercise] = useState('bar');
  const [seed, setSeed] = useState(anySeed);
  const [moves, setMoves] = useState<Move[]>([]);
  const [advised, setAdvised] = useState(true);
  const [finished, setFinished] = useState(false);
  const exercises = useQuery({ queryKey: ['exercises'], queryFn: () => call<Exercise[]>('GET', '/practice') });
  const play = useQuery({
    queryKey: ['practice', exercise, seed, moves, advised, finished, unit],
    queryFn: ({ signal }) =>
      call<Practice>('POST', '/practice', { exercise, seed, moves, advised, finished, unit }, signal),
    placeholderData: keepPreviousData,
    enabled: exercise !== GROOVE,
  });
  const afresh = (key: string) => {
    setExercise(key);
    setSeed(anySeed());
    setMoves([]);
    setFinished(false);
  };
  const piece = play.data;
  const problem = refusalOf(play.error);
  return (
    <div className="max-w-5xl space-y-4">
      <Heading className="text-3xl font-semibold">Practice</Heading>
      <div className="flex flex-wrap gap-2" role="group" aria-label="Piece">
        {(exercises.data ?? []).map((one) => (
          <Button
            key={one.key}
            look={one.key === exercise ? 'main' : 'plain'}
            aria-pressed={one.key === exercise}
            onClick={() => afresh(one.key)}>
            {one.name}
          </Button>
        ))}
        {exercise !== GROOVE && (
          <Tick className="ml-auto min-h-11 text-lg" on={advised} set={setAdvised} says="With Runk’s advice" />
        )}
      </div>
      {problem && <Said problem={problem} />}
      {exercise === GROOVE && <StopInGroove key={seed} seed={seed} unit={unit} />}
      {piece && exercise !== GROOVE && (
        <>
          <p className="text-2xl">
            <b className="font-semibold">{piece.task}</b>{' '}
            <span className="text-soft">
              {piece.lesson} {piece.dial}
            </span>
          </p>
          {piece.score ? (
            <>
              <Scored piece={piece} again={() => afresh(exercise)} />
              <PlayedBack piece={piece} />
            </>
          ) : (
            <Controls
              piece={piece}
              ready={!play.isPlaceholderData}
              move={(one) => setMoves([...moves, one])}
              back={() => setMoves(moves.slice(0, -1))}
              finish={() => setFinished(true)}
            />
          )}
          {!piece.score && <AtTheLathe piece={piece} />}
          <Done piece={piece} />
        </>
      )}
    </div>
  );
}

interface TickProps {
  className: string;
  on: boolean;
  set: (on: boolean) => void;
  says: string;
}

function Tick({ className, on, set, says }: TickProps) {
  return (
    <label className={`flex items-center gap-2 ${className}`}>
      <input
        type="checkbox"
        checked={on}
        onChange={(event) => set(event.target.checked)}
        className="size-6 accent-mark"
      />
      {says}
    </label>
  );
}

interface ControlProps {
  piece: Practice;
  /** False while the last move is worked out: the advice shown is the one before. */
  ready: boolean;
  move: (one: Move) => void;
  back: () => void;
  finish: () => void;
}

function Controls({ piece, ready, move, back, finish }: ControlProps) {
  const [wind, setWind] = useState('');
  const [fine, setFine] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const number = Number(wind.replace(',', '.'));
  const wrong = wind.trim() !== '' && !Number.isFinite(number);
  const make = (divisions: number, atFine: boolean, measure: boolean, typed = true) => {
    move(
      piece.wound_to && typed
        ? { wind: null, to: divisions, fine: atFine, measure }
        : { wind: divisions, fine: atFine, measure },
    );
    setWind('');
    field.current?.focus();
  };
  return (
    <div className="space-y-3">
      {piece.advice && (
        <div className="rounded-lg bg-plate p-5 text-plate-ink ring-1 ring-plate-line">
          <p className="figures text-6xl font-bold max-sm:text-4xl">{piece.advice}</p>
          <p className="mt-1 text-xl">{piece.advice_detail}</p>
          {piece.advice_divisions !== null && (
            <Button
              className="mt-3"
              disabled={!ready}
              onClick={() => make(piece.advice_divisions!, piece.advice_fine, true, false)}>
              Do just that, and measure
            </Button>
          )}
        </div>
      )}
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (ready && wind.trim() && !wrong) make(number, fine, true);
        }}>
        <label>
          <span className="mb-1 block text-soft">
            {piece.wound_to
              ? `Wind to, divisions from nought (it stands at ${piece.wound})`
              : 'Wind on, divisions (0 for a spring pass, −5 to wind back)'}
          </span>
          <input
            ref={field}
            value={wind}
            autoFocus
            inputMode="text"
            autoComplete="off"
            aria-invalid={wrong}
            onChange={(event) => setWind(event.target.value)}
            className={`figures block min-h-14 w-full rounded-md border-2 bg-card px-3 text-3xl ${wrong ? 'border-stop-edge' : 'border-mark'}`}
          />
        </label>
        {!piece.wound_to && <Tick className="min-h-14" on={fine} set={setFine} says="at the finishing feed" />}
        <Button look="main" type="submit" className="min-h-14">
          Cut and measure
        </Button>
        <Button
          className="min-h-14"
          disabled={!ready || !wind.trim() || wrong}
          onClick={() => make(number, fine, false)}>
          Cut only
        </Button>
        <Button className="min-h-14" disabled={!ready} onClick={() => move({ wind: null, fine: false, measure: true })}>
          Measure again
        </Button>
      </form>
      {wrong && (
        <p role="alert" className="bg-stop px-3 py-2 text-stop-ink">
          “{wind}” is no number of divisions.
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <Button onClick={finish} disabled={!ready || piece.passes === 0}>
          It is to size: take it out
        </Button>
        <Button onClick={back} disabled={!ready || piece.moves.length === 0}>
          Undo the last
        </Button>
      </div>
    </div>
  );
}

function Scored({ piece, again }: { piece: Practice; again: () => void }) {
  const score = piece.score!;
  return (
    <div
      role="status"
      className={`rounded-lg p-5 ring-1 ${score.inside ? 'bg-plate text-plate-ink ring-plate-line' : 'bg-stop text-stop-ink ring-stop-edge'}`}>
      <p className="text-3xl font-semibold">{score.says}</p>
      <p className="figures mt-2 text-7xl font-bold max-sm:text-5xl">
        {score.points} <span className="text-3xl">points</span>
      </p>
      <p className="mt-2 text-xl">
        It is truly {score.size_mm.toFixed(3)} mm after {score.passes} {score.passes === 1 ? 'pass' : 'passes'}. Runk’s
        advice on the same lathe: {score.advised_inside ? 'inside' : 'outside'} after {score.advised_passes}.
      </p>
      <p className="mt-1">
        100 for inside, 40 with metal left on, none with too much gone; 4 less for each pass more than the advice needs.
      </p>
      <Button className="mt-3" onClick={again}>
        Another piece
      </Button>
    </div>
  );
}

function Done({ piece }: { piece: Practice }) {
  if (piece.moves.length === 0)
    return <p className="text-soft">Nothing cut yet. The dial stands at nought, the tool touches.</p>;
  return (
    <table className="w-full max-w-xl">
      <caption className="text-left text-xl font-semibold">Done so far</caption>
      <thead>
        <tr className="text-right text-soft">
          <th scope="col" className="text-left font-normal">
            Move
          </th>
          <th scope="col" className="font-normal">
            {piece.wound_to ? 'Wound to' : 'Wound on'}
          </th>
          <th scope="col" className="font-normal">
            Micrometer
          </th>
        </tr>
      </thead>
      <tbody>
        {piece.moves.map((one, n) => (
          <tr key={n} className="border-b border-line text-right">
            <th scope="row" className="py-1 text-left font-normal">
              {n + 1}{' '}
              {piece.wound_to && n === 0
                ? 'scratch'
                : one.wind === null
                  ? 'measured'
                  : one.wind === 0
                    ? 'spring pass'
                    : one.fine
                      ? 'fine cut'
                      : 'cut'}
            </th>
            <td className="figures">{piece.wound_to ? one.stands : (one.wind ?? '')}</td>
            <td className="figures font-bold">{one.read_mm === null ? '—' : one.read_mm.toFixed(2)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
