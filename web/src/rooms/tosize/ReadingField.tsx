import { type RefObject, useState } from 'react';
import type { Cut, useCutAct } from '../../api/cuts';
import { onceKey } from '../../api/once';
import { refusalOf } from '../../api/queries';
import { Button } from '../../parts/Button';
import { SlipAsked } from '../../parts/SlipAsked';
import { touched, usePad } from '../../parts/usePad';

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
  const [text, setText] = useState('');
  const [wound, setWound] = useState('');
  const [warm, setWarm] = useState('');
  const [more, setMore] = useState(false);
  const [key, setKey] = useState(onceKey);
  const pad = usePad(true);
  const problem = refusalOf(act.error);

  const send = (reading: string, sure = false) => {
    if (!reading.trim() || act.isPending) return;
    const body = { event_key: key, reading, unit, wound, warm, sure, after: cut.last_event };
    act.mutate(
      { what: 'readings', body },
      {
        onSuccess: () => {
          setText('');
          setWound('');
          setKey(onceKey());
          field.current?.focus();
        },
      },
    );
  };

  return (
    <form
      className="space-y-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim()) send(text);
        else gauge?.();
      }}>
      <div className="flex flex-wrap items-end gap-2">
        <label className="min-w-40 flex-1">
          <span className="mb-1 block text-lg font-semibold">What does it measure now?</span>
          <span className="flex items-baseline gap-2">
            <input
              ref={field}
              data-takes="figures"
              value={text}
              // On touch the pad would cover what is to be wound on.
              autoFocus={!touched()}
              autoComplete="off"
              spellCheck={false}
              aria-invalid={Boolean(problem)}
              onChange={(event) => setText(event.target.value)}
              {...pad.props}
              className={`figures block min-h-16 w-full rounded-md border-2 bg-card px-3 text-4xl ${problem ? 'border-stop-edge' : 'border-mark'}`}
            />
            <span className="text-2xl text-soft">{unit === 'inch' ? 'in' : 'mm'}</span>
          </span>
        </label>
        {pad.shown}
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
