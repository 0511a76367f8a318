import { type RefObject, useState } from 'react';
import type { Mate, useMateAct } from '../../api/mates';
import { Button } from '../../parts/Button';
import { ReadingInput, useReading } from '../../parts/ReadingInput';
import { SlipAsked } from '../../parts/SlipAsked';

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
  const [warm, setWarm] = useState('');
  const besides = { side, unit, warm, after: mate.last_event };
  const { text, setText, send, problem } = useReading(act, field, besides);

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
        <ReadingInput
          label={`What does the ${side === 'made' ? made : there} measure?`}
          text={text}
          setText={setText}
          field={field}
          problem={problem}
          unit={unit}
        />
        <label className="w-36">
          <span className="mb-1 block text-soft">Still warm, °C</span>
          <input
            value={warm}
            onChange={(event) => setWarm(event.target.value)}
            placeholder="20"
            className="figures block min-h-16 w-full rounded border border-line bg-card px-2 text-2xl placeholder:text-soft"
          />
        </label>
        <Button look="main" type="submit" className="min-h-16 px-6 text-xl" disabled={act.isPending}>
          Record <kbd className="text-base">Enter</kbd>
        </Button>
      </div>
      <SlipAsked error={act.error} problem={problem} text={text} send={send} />
      <p className="text-soft">Places parted by semicolons, the ways across by commas: 21.98, 21.97; 21.96</p>
    </form>
  );
}
