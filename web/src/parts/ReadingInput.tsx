import { type RefObject, useState } from 'react';
import type { Problem } from '../api/client';
import { onceKey } from '../api/once';
import { refusalOf } from '../api/queries';
import { touched, usePad } from './usePad';

interface Act {
  isPending: boolean;
  error: unknown;
  mutate: (sent: { what: string; body: Record<string, unknown> }, then: { onSuccess: () => void }) => void;
}

/** A reading being typed: sent once under a key of its own, kept in its field until it is taken. */
export function useReading(
  act: Act,
  field: RefObject<HTMLInputElement | null>,
  besides: Record<string, unknown>,
  taken?: () => void,
) {
  const [text, setText] = useState('');
  const [key, setKey] = useState(onceKey);
  const send = (reading: string, sure = false) => {
    if (!reading.trim() || act.isPending) return;
    act.mutate(
      { what: 'readings', body: { event_key: key, reading, sure, ...besides } },
      {
        onSuccess: () => {
          setText('');
          setKey(onceKey());
          taken?.();
          field.current?.focus();
        },
      },
    );
  };
  return { text, setText, send, problem: refusalOf(act.error) };
}

interface Props {
  label: string;
  text: string;
  setText: (text: string) => void;
  field: RefObject<HTMLInputElement | null>;
  problem: Problem | null;
  unit: string;
}

/** The one field with the cursor, large enough for a hand that holds a micrometer. */
export function ReadingInput({ label, text, setText, field, problem, unit }: Props) {
  const pad = usePad(true);
  return (
    <>
      <label className="min-w-40 flex-1">
        <span className="mb-1 block text-lg font-semibold">{label}</span>
        <span className="flex items-baseline gap-2">
          <input
            ref={field}
            data-takes="figures"
            value={text}
            // On touch the pad would cover what is to be set.
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
    </>
  );
}
