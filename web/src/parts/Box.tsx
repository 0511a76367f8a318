interface Props {
  label: string;
  value: string;
  wrong: boolean;
  hideLabel?: boolean;
  /** What it is while the box is blank. */
  placeholder?: string;
  onChange: (value: string) => void;
}

export const BOX = 'block min-h-11 w-full rounded border bg-card px-2';

/** One labelled box; it keeps what was typed, right or wrong. */
export function Box({ label, value, wrong, hideLabel, placeholder, onChange }: Props) {
  return (
    <label>
      <span className={hideLabel ? 'sr-only' : 'text-soft'}>{label}</span>
      <input
        value={value}
        aria-invalid={wrong}
        autoComplete="off"
        placeholder={placeholder}
        onChange={(event) => onChange(event.target.value)}
        className={`${BOX} placeholder:text-soft ${wrong ? 'border-2 border-stop-edge' : 'border-line'}`}
      />
    </label>
  );
}
