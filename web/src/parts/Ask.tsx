import { useQuery, keepPreviousData } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { type Schemas, ServerGone, call } from '../api/client';
import { type Reply, refusalOf } from '../api/queries';
import { ROOM_OF, setQuestion, type Typed } from '../state/question';
import { usePrefs } from '../state/prefs';
import { Button } from './Button';
import { Said } from './Said';

const EXAMPLES = [
  'turn 22mm silver steel hss',
  'bore 5/8 cast iron carbide',
  'drill #30 brass',
  '7/64 + 20 thou in mm',
  'may brass run on stainless',
];
/** One line in plain words; the answer as the room would give it, and the way there. */
export default function Ask({ close }: { close: () => void }) {
  const [line, setLine] = useState('');
  const { unit } = usePrefs();
  const navigate = useNavigate();
  const asked = useQuery({
    queryKey: ['ask', line, unit],
    queryFn: ({ signal }) => call<Schemas['AskOut']>('POST', '/ask', { line, unit }, signal),
    enabled: line.trim() !== '',
    placeholderData: keepPreviousData,
  });
  const problem = refusalOf(asked.error);
  const shown = line.trim() && !problem ? asked.data : undefined;
  const room = shown && ROOM_OF[shown.calculator];

  const open = () => {
    if (!shown || !room) return;
    setQuestion(shown.calculator, shown.typed as Typed);
    void navigate({ to: room });
    close();
  };

  return (
    <Dialog.Root open onOpenChange={(isOpen) => !isOpen && close()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[10vh] left-1/2 z-50 max-h-[80vh] w-[min(94vw,46rem)] -translate-x-1/2 overflow-auto rounded-lg border border-line bg-card p-4 text-ink"
        >
          <Dialog.Title className="sr-only">Ask</Dialog.Title>
          <form
            onSubmit={(event) => {
              event.preventDefault();
              open();
            }}
          >
            <label className="block">
              <span className="text-soft">Ask in plain words, in any order</span>
              <input
                autoFocus
                value={line}
                onChange={(event) => setLine(event.target.value)}
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
                      <Button onClick={() => setLine(example)}>{example}</Button>
                    </li>
                  ))}
                </ul>
              )}
              {line.trim() && problem && <Said problem={problem} />}
              {asked.failureReason instanceof ServerGone && (
                <p className="text-stop-edge">The server does not answer; trying again.</p>
              )}
              {shown && <Answered reply={shown.reply as unknown as Reply} />}
            </div>
            <div className="mt-2 flex justify-end gap-2">
              <Button onClick={close}>Close</Button>
              {room && (
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

function Answered({ reply }: { reply: Reply }) {
  return (
    <>
      <p className="text-soft">{reply.read_as}</p>
      <p className="figures mt-1 text-3xl font-bold">{reply.headline}</p>
      {reply.calculator === 'speed' && (
        <p className="mt-1">
          {reply.answer.explains} Feed {reply.answer.feed_mm_per_rev.shown}{' '}
          {reply.answer.feed_mm_per_rev.unit}
          {reply.answer.dial_divisions &&
            `, wind on ${reply.answer.dial_divisions.shown} divisions of the ${reply.answer.dial_slide}`}
          .
        </p>
      )}
      {reply.calculator === 'identify' && (
        <p className="mt-1">{(reply.answer as unknown as IdentifyAnswer).alike.join(', ')}</p>
      )}
      {reply.calculator === 'faults' && (
        <p className="mt-1">{(reply.answer as unknown as FaultAnswer).first_check}</p>
      )}
      {reply.calculator === 'pair' && (
        <p className="mt-1">{(reply.answer as unknown as PairAnswer).says}</p>
      )}
      {reply.calculator === 'length' && <LengthLine answer={reply.answer as unknown as LengthAnswer} />}
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

type FaultAnswer = Schemas['FaultAnswerWire'];
type IdentifyAnswer = Schemas['IdentifyAnswerWire'];
type PairAnswer = Schemas['PairAnswerWire'];
type LengthAnswer = Schemas['LengthAnswerWire'];

function LengthLine({ answer }: { answer: LengthAnswer }) {
  return (
    <p className="mt-1">
      {answer.thou.shown} thou. Nearest sixty-fourth {answer.nearest_64th}", off by{' '}
      {answer.error_mm.shown} {answer.error_mm.unit}.
    </p>
  );
}
