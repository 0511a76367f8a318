import { type RefObject, useState } from 'react';
import type { Cut, useCutAct } from '../../api/cuts';
import { Button } from '../../parts/Button';
import { ReadingInput, useReading } from '../../parts/ReadingInput';
import { SlipAsked } from '../../parts/SlipAsked';

interface Props {
  cut: Cut;
  act: ReturnType<typeof useCutAct>;
  unit: string;
  field: RefObject<HTMLInputElement | null>;
  /** Enter on the empty field reads it, where there is one. */
  gauge?: () => void;
}

/** One field with the cursor: the reading. Enter records it; a slip is asked about. */
export function ReadingField({ cut, act, unit, field, gauge }: Props) {
  const [wound, setWound] = useState('');
  const [warm, setWarm] = useState('');
  const [more, setMore] = useState(false);
  const besides = { unit, wound, warm, after: cut.last_event };
  const { text, setText, send, problem } = useReading(act, field, besides, () => setWound(''));

  return (
    <form
      className="space-y-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim()) send(text);
        else gauge?.();
      }}>
      <div className="flex flex-wrap items-end gap-2">
        <ReadingInput
          label={cut.tries.length > 0 ? 'What is it over the wires?' : 'What does it measure now?'}
          text={text}
          setText={setText}
          field={field}
          problem={problem}
          unit={unit}
        />
        <Button look="main" type="submit" className="min-h-16 px-6 text-xl" disabled={act.isPending}>
          Record <kbd className="text-base">Enter</kbd>
        </Button>
      </div>
      <SlipAsked error={act.error} problem={problem} text={text} send={send} />
      <div className="flex flex-wrap items-center gap-2">
        <Button look="quiet" className="text-mark" aria-expanded={more} onClick={() => setMore(!more)}>
          {more ? 'Say less' : 'Say more'}
        </Button>
        <span className="text-soft">Several places: 14.52; 14.53; 14.52</span>
      </div>
      {more && (
        <div className="grid gap-3 sm:grid-cols-2">
          <label>
            <span className="text-soft">Really wound on, divisions (0: only measured again)</span>
            <input value={wound} onChange={(e) => setWound(e.target.value)} placeholder="as told" className={SMALL} />
          </label>
          <label>
            <span className="text-soft">Work still warm, °C</span>
            <input value={warm} onChange={(e) => setWarm(e.target.value)} placeholder="20" className={SMALL} />
          </label>
        </div>
      )}
    </form>
  );
}

const SMALL = 'figures block min-h-11 w-full rounded border border-line bg-card px-2 text-xl placeholder:text-soft';
