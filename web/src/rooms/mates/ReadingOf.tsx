import { type RefObject, useState } from 'react';
import type { Mate, useMateAct } from '../../api/mates';
import { onceKey } from '../../api/once';
import { refusalOf } from '../../api/queries';
import { Button } from '../../parts/Button';
import { SlipAsked } from '../../parts/SlipAsked';
import { touched, usePad } from '../../parts/usePad';

interface Props {
  mate: Mate;
  act: ReturnType<typeof useMateAct>;
  unit: string;
  field: RefObject<HTMLInputElement | null>;
}

/** One field with the cursor: a reading of the part that is made, or of the one that is there. */
export function ReadingOf({ mate, act, unit, field }: Props) {
  const made = mate.make === 'hole' ? 'hole' : 'shaft';
  const there = made === 'hole' ? 'shaft' : 'hole';
  const [side, setSide] = useState<'made' | 'there'>('made');
  const [text, setText] = useState('');
  const [warm, setWarm] = useState('');
  const [key, setKey] = useState(onceKey);
  const pad = usePad(true);
  const problem = refusalOf(act.error);

  const send = (reading: string, sure = false) => {
    if (!reading.trim() || act.isPending) return;
    const body = { event_key: key, side, reading, unit, warm, sure, after: mate.last_event };
    act.mutate(
      { what: 'readings', body },
      {
        onSuccess: () => {
          setText('');
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
        send(text);
      }}>
      <div role="group" aria-label="Which part is read" className="flex flex-wrap gap-2">
        {(['made', 'there'] as const).map((one) => (
          <Button
            key={one}
            look={side === one ? 'main' : 'plain'}
            aria-pressed={side === one}
            onClick={() => setSide(one)}>
            {one === 'made' ? `The ${made}, as it is now` : `The ${there} that is there, another place`}
          </Button>
        ))}
      </div>
      <div className="flex flex-wrap items-end gap-2">
        <label className="min-w-40 flex-1">
          <span className="mb-1 block text-lg font-semibold">
            What does the {side === 'made' ? made : there} measure?
          </span>
          <span className="flex items-baseline gap-2">
            <input
              ref={field}
              data-takes="figures"
              value={text}
              // On touch the pad would cover what is to be reached.
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
        <label className="w-36">
          <span className="mb-1 block text-soft">Still warm, °C</span>
          <input
            value={warm}
            onChange={(event) => setWarm(event.target.value)}
            placeholder="20"
            className="figures block min-h-16 w-full rounded border border-line bg-card px-2 text-2xl placeholder:text-soft"
          />
        </label>
        {pad.shown}
        <Button look="main" type="submit" className="min-h-16 px-6 text-xl" disabled={act.isPending}>
          Record <kbd className="text-base">Enter</kbd>
        </Button>
      </div>
      <SlipAsked error={act.error} problem={problem} text={text} send={send} />
      <p className="text-soft">Places parted by semicolons, the ways across by commas: 21.98, 21.97; 21.96</p>
    </form>
  );
}
