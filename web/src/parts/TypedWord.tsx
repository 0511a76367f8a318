import type { FocusEvent } from 'react';
import { usePad } from './usePad';

interface Props {
  label: string;
  value: string;
  placeholder: string;
  wrong: boolean;
  /** Said after a bare number, which takes the page's unit. */
  unit: string;
  /** Whether fingers get the pad of sizes. */
  pad: boolean;
  /** Whether it is a list, which runs on over several lines. */
  list?: boolean;
  onChange: (value: string) => void;
  onFocus?: () => void;
}

/** A live word to type in: a size as it is spoken, a count. Stays as typed, right or wrong. */
export function TypedWord({
  label,
  value,
  placeholder,
  wrong,
  unit,
  pad: wanted,
  list = false,
  onChange,
  onFocus,
}: Props) {
  const text = value || placeholder;
  const pad = usePad(wanted);
  const bare = /^[\d.,]+$/.test(value);
  const Field = list ? 'textarea' : 'input';
  return (
    <>
      <Field
        {...(list && { rows: 1 })}
        aria-label={label}
        aria-invalid={wrong}
        value={value}
        placeholder={placeholder}
        onChange={(event: { target: { value: string } }) => onChange(event.target.value)}
        autoComplete="off"
        spellCheck={false}
        {...pad.props}
        onFocus={(event: FocusEvent<HTMLInputElement & HTMLTextAreaElement>) => {
          pad.props.onFocus(event);
          onFocus?.();
        }}
        style={{ width: `${Math.max(text.length, 2) * 0.56 + 0.9}em` }}
        className={`${list ? 'resize-none [field-sizing:content]' : ''} mx-0.5 min-h-11 max-w-full border-b-2 bg-transparent px-1 text-center align-bottom font-semibold placeholder:font-normal placeholder:text-soft hover:bg-mark-wash ${
          wrong ? 'border-stop-edge text-stop-edge' : 'border-mark'
        }`}
      />
      {pad.shown}
      {bare && unit && <span className="text-soft">{unit}</span>}
    </>
  );
}
