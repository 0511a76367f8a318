import { useQuery, keepPreviousData } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { useLocation } from 'wouter';
import { type Problem, ServerGone, call } from '../api/client';
import { type AnyReply, type Asked, type Calculator, refusalOf, useCalculators } from '../api/queries';
import { type Place, placesNamed, placesOf, pathOf } from '../house';
import { usePrefs } from '../state/prefs';
import { setQuestion } from '../state/question';
import { Button } from './Button';
import { OneMore } from './OneMore';
import { Said } from './Said';
import { columnsOf, inWords } from './described';

const EXAMPLES = [
  'turn 22mm silver steel hss',
  'bore 5/8 cast iron carbide',
  'drill #30 brass',
  '7/64 + 20 thou in mm',
  'may brass run on stainless',
];

/** One line in plain words; the answer as the room would give it, and the way there. */
export function Ask({ close }: { close: () => void }) {
  const [line, setLine] = useState('');
  const { unit } = usePrefs();
  const [, go] = useLocation();
  const calculators = useCalculators();
  const asked = useQuery({
    queryKey: ['ask', line, unit],
    queryFn: ({ signal }) => call<Asked>('POST', '/ask', { line, unit }, signal),
    enabled: line.trim() !== '',
    placeholderData: keepPreviousData,
  });
  const problem = refusalOf(asked.error);
  const shown = line.trim() && !problem ? asked.data : undefined;

  const wants = line.trim() ? problem?.wants : undefined;
  /** What was understood, with the one thing it wanted, in the room. */
  const tell = (field: string, text: string) => {
    if (!problem?.calculator) return;
    setQuestion(problem.calculator, { ...problem.understood, ...(text ? { [field]: text } : {}) });
    go(pathOf(calculators.data ?? [], problem.calculator));
    close();
  };

  const openRoom = (calculator: string) => {
    go(pathOf(calculators.data ?? [], calculator));
    close();
  };

  const rooms = placesNamed(placesOf(calculators.data ?? []), line);
  const visit = (place: Place) => {
    go(place.path);
    close();
  };
  const [wanted, setWanted] = useState(false);
  const type = (text: string) => {
    setWanted(false);
    setLine(text);
  };
  const open = () => {
    if (!shown) return;
    if (shown.place) go(shown.place.path);
    else {
      setQuestion(shown.calculator, shown.typed);
      go(pathOf(calculators.data ?? [], shown.calculator));
    }
    close();
  };

  useEffect(() => {
    if (wanted && !asked.isPlaceholderData) open();
  });

  return (
    <Dialog.Root open onOpenChange={(isOpen) => !isOpen && close()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[8vh] left-1/2 z-50 max-h-[84vh] w-[min(94vw,48rem)] -translate-x-1/2 overflow-auto rounded-lg border border-line bg-card p-4 text-ink">
          <Dialog.Title className="sr-only">Ask</Dialog.Title>
          <form
            onSubmit={(event) => {
              event.preventDefault();
              // No more than a room's name: that is where somebody wants to go.
              if (rooms[0] && !shown) {
                visit(rooms[0]);
                return;
              }
              if (wants) {
                tell(wants.field, '');
                return;
              }
              // What is shown may still be the answer to the line before: then it opens when its own is there.
              if (asked.isPlaceholderData) setWanted(true);
              else open();
            }}>
            <label className="block">
              <span className="text-soft">Ask in plain words, in any order</span>
              <input
                autoFocus
                value={line}
                onChange={(event) => type(event.target.value)}
                onKeyDown={(event) => {
                  const other = event.altKey && shown?.others[Number(event.key) - 1];
                  if (!other) return;
                  event.preventDefault();
                  type(other.line);
                }}
                placeholder="turn 22mm silver steel hss"
                autoComplete="off"
                spellCheck={false}
                maxLength={500}
                className="mt-1 block w-full rounded-md border-2 border-ink bg-paper px-3 py-2 text-2xl placeholder:text-soft"
              />
            </label>
            <div className="mt-3 min-h-32" aria-live="polite">
              {!line.trim() && (
                <ul className="flex flex-wrap gap-2" aria-label="Examples">
                  {EXAMPLES.map((example) => (
                    <li key={example}>
                      <Button onClick={() => type(example)}>{example}</Button>
                    </li>
                  ))}
                </ul>
              )}
              {rooms.length > 0 && (
                <ul aria-label="Rooms called so" className="mb-2 flex flex-wrap gap-2">
                  {rooms.map((place) => (
                    <li key={place.path}>
                      <Button onClick={() => visit(place)}>
                        Open {place.tab}
                        {place.room !== place.tab && <span className="text-soft">in {place.room}</span>}
                      </Button>
                    </li>
                  ))}
                </ul>
              )}
              {line.trim() &&
                problem &&
                !(rooms.length > 0 && !wants) &&
                (wants ? (
                  <OneMore key={wants.field} wants={wants} says={problem.detail} tell={tell} />
                ) : (
                  <Said problem={problem} />
                ))}
              {line.trim() && problem?.nearest && <NearRooms near={problem.nearest} open={openRoom} />}
              {asked.failureReason instanceof ServerGone && (
                <p className="text-stop-edge">The server does not answer; trying again.</p>
              )}
              {shown?.reply && <Answered calculators={calculators.data ?? []} reply={shown.reply} />}
              {shown?.place && (
                <>
                  <p className="text-soft">{shown.place.read_as}</p>
                  <p className="mt-1 text-3xl font-bold">{shown.place.headline}</p>
                  {shown.place.says.map((one) => (
                    <p key={one}>{one}</p>
                  ))}
                </>
              )}
              {shown && shown.others.length > 0 && (
                <ul aria-label="Or did you mean" className="mt-3 space-y-1">
                  {shown.others.map((other, n) => (
                    <li key={other.line}>
                      <Button className="text-left" onClick={() => type(other.line)}>
                        <span className="text-soft">{other.then ? 'Then:' : 'Or:'}</span> {other.read_as}{' '}
                        <kbd className="text-base text-soft">Alt {n + 1}</kbd>
                      </Button>
                    </li>
                  ))}
                </ul>
              )}
            </div>
            <div className="mt-2 flex justify-end gap-2">
              <Button onClick={close}>Close</Button>
              {shown && (
                <Button look="main" type="submit">
                  Open in the room ↵
                </Button>
              )}
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** The rooms that speak of most of a line nobody could read. */
function NearRooms({ near, open }: { near: NonNullable<Problem['nearest']>; open: (calculator: string) => void }) {
  return (
    <div className="mt-3">
      <p className="text-soft">It may be one of these:</p>
      <ul aria-label="Nearest rooms" className="mt-1 flex flex-wrap gap-2">
        {near.map((room) => (
          <li key={room.calculator}>
            <Button onClick={() => open(room.calculator)}>{room.title}</Button>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** An answer in short: the headline, and the words that go with it. */
function Answered({ calculators, reply }: { calculators: Calculator[]; reply: AnyReply }) {
  const calculator = calculators.find((one) => one.name === reply.calculator);
  const columns = calculator ? columnsOf(calculator, reply) : [];
  const stop = reply.cautions.some((caution) => caution.word === 'Stop');
  return (
    <>
      <p className="text-soft">{reply.read_as}</p>
      <p className={`figures mt-1 text-3xl font-bold ${stop ? 'text-stop-edge' : ''}`}>{reply.headline}</p>
      {columns
        .filter((column) => column.rank === 'says' || column.rank === 'big')
        .filter(
          (column) =>
            inWords(reply.answer[column.name]) && !reply.headline.includes(inWords(reply.answer[column.name])),
        )
        .slice(0, 6)
        .map((column) => (
          <p key={column.name} className="mt-0.5">
            <span className="text-soft">{column.label}:</span> {inWords(reply.answer[column.name])}
          </p>
        ))}
      {reply.cautions.map((caution) => (
        <p key={caution.about} className="mt-1">
          <strong className="font-semibold">
            {caution.word} {caution.about}:
          </strong>{' '}
          {caution.says}
        </p>
      ))}
    </>
  );
}
