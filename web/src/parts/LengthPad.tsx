import { useEffect } from 'react';

interface Props {
  field: HTMLInputElement;
  /** Gives the phone's own keyboard instead, for letters. */
  letters: () => void;
  close: () => void;
}

const ROWS: [string, string][][] = [
  [
    ['7', '7'],
    ['8', '8'],
    ['9', '9'],
    ['/', '/'],
    ['"', '"'],
  ],
  [
    ['4', '4'],
    ['5', '5'],
    ['6', '6'],
    ['#', '#'],
    ['mm', ' mm'],
  ],
  [
    ['1', '1'],
    ['2', '2'],
    ['3', '3'],
    ['BA', 'BA'],
    ['thou', ' thou'],
  ],
  [
    ['0', '0'],
    ['.', '.'],
    ['space', ' '],
    ['M', 'M'],
    ['+', ' + '],
  ],
];
const KEY = 'min-h-13 flex-1 cursor-pointer rounded-md border border-line bg-card text-2xl active:bg-mark-wash';

/** Keys a phone's number pad lacks: fractions, inches, thou, drills and threads by name. */
export default function LengthPad({ field, letters, close }: Props) {
  useEffect(() => {
    // The field must stay in sight above the pad, at the foot of a short page too.
    document.body.style.paddingBottom = '22rem';
    field.scrollIntoView({ block: 'center' });
    return () => {
      document.body.style.paddingBottom = '';
    };
  }, [field]);
  const put = (text: string) => {
    const [from, to] = [field.selectionStart ?? field.value.length, field.selectionEnd ?? field.value.length];
    type(field, field.value.slice(0, from) + text + field.value.slice(to), from + text.length);
  };
  const rub = () => {
    const [from, to] = [field.selectionStart ?? 0, field.selectionEnd ?? 0];
    const start = from === to ? Math.max(0, from - 1) : from;
    type(field, field.value.slice(0, start) + field.value.slice(to), start);
  };
  return (
    <div
      role="group"
      aria-label="Keys for a size"
      className="fixed inset-x-0 bottom-0 z-30 space-y-1.5 border-t-2 border-strong bg-paper p-2"
      // Pressing a key must not take the cursor out of the field.
      onPointerDown={(event) => event.preventDefault()}>
      {ROWS.map((row, index) => (
        <div key={index} className="flex gap-1.5">
          {row.map(([label, text]) => (
            <button key={label} type="button" tabIndex={-1} className={`figures ${KEY}`} onClick={() => put(text)}>
              {label === 'space' ? <span aria-label="space">␣</span> : label}
            </button>
          ))}
        </div>
      ))}
      <div className="flex gap-1.5">
        <button type="button" tabIndex={-1} className={KEY} onClick={letters}>
          abc
        </button>
        <button type="button" tabIndex={-1} className={KEY} onClick={() => type(field, '', 0)}>
          Clear
        </button>
        <button type="button" tabIndex={-1} className={KEY} aria-label="Rub out one" onClick={rub}>
          ⌫
        </button>
        <button type="button" tabIndex={-1} className={`${KEY} bg-mark! font-semibold text-on-mark`} onClick={close}>
          Done
        </button>
      </div>
    </div>
  );
}

/** Puts text into a field as typing would, so that its own change handler hears of it. */
function type(field: HTMLInputElement, text: string, cursor: number): void {
  const written = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value');
  written?.set?.call(field, text);
  field.dispatchEvent(new Event('input', { bubbles: true }));
  // React has put its own value back by the next frame; the cursor goes where typing left it.
  requestAnimationFrame(() => field.setSelectionRange(cursor, cursor));
}
