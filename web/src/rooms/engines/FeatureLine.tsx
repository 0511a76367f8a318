import { type ClipboardEvent, type KeyboardEvent, useId, useRef, useState } from 'react';
import { Button } from '../../parts/Button';
import { Marked } from '../../parts/Said';
import { Thumbnail } from '../../drawings/Thumbnail';
import type { Kind, Offer, Spoken } from './drawing';

const GAP = '?';

interface Props {
  n: number;
  line: string;
  spoken: Spoken | undefined;
  /** Whether it stands as it is kept: then it is not said back whole. */
  kept: boolean;
  /** What may come next, where the cursor is in this line. */
  offers: Offer[];
  kinds: Kind[];
  placeholder: string;
  field: (element: HTMLTextAreaElement | null) => void;
  type: (text: string) => void;
  /** Lines pasted into it, one or more. */
  paste: (lines: string[]) => void;
  next: () => void;
  /** An empty line is left: by Enter it ends the list, by Backspace it goes. */
  drop: (how: 'ends' | 'back') => void;
  move: (by: number) => void;
  enter: () => void;
  leave: () => void;
  copy: () => void;
  remove: () => void;
}

const inSight = (element: HTMLElement | null) => element?.scrollIntoView({ block: 'nearest' });

/** A feature's line: completed as it is typed, answered under itself. */
export function FeatureLine(props: Props) {
  const { n, line, spoken, kept, kinds } = props;
  const list = useId();
  const [at, setAt] = useState<number | null>(null);
  // Open by itself where something is wanting; else by the arrow, so that it covers nothing.
  const [asked, ask] = useState<boolean | null>(null);
  const own = useRef<HTMLTextAreaElement | null>(null);
  const wrong = Boolean(spoken?.problem);
  const offers = (asked ?? (wrong || !line.trim())) ? props.offers : [];
  const chosen = at === null ? undefined : offers[at];

  const select = (from: number, to: number) => requestAnimationFrame(() => own.current?.setSelectionRange(from, to));
  const take = (offer: Offer) => {
    props.type(offer.line);
    setAt(null);
    ask(null);
    const gap = offer.line.indexOf(GAP);
    if (gap >= 0) select(gap, gap + 1);
    else select(offer.line.length, offer.line.length);
  };
  const press = (event: KeyboardEvent<HTMLTextAreaElement>) => {
    const key = event.key;
    if (event.altKey && (key === 'ArrowUp' || key === 'ArrowDown')) {
      event.preventDefault();
      props.move(key === 'ArrowUp' ? -1 : 1);
    } else if (key === 'ArrowDown' || key === 'ArrowUp') {
      if (props.offers.length === 0) return;
      event.preventDefault();
      ask(true);
      const step = key === 'ArrowDown' ? 1 : -1;
      const last = props.offers.length - 1;
      const to = at === null ? (step > 0 ? 0 : last) : at + step;
      setAt(to < 0 || to > last ? null : to);
    } else if (key === 'Escape' && offers.length > 0) {
      event.preventDefault();
      event.stopPropagation();
      ask(false);
      setAt(null);
    } else if ((key === 'Enter' || key === 'Tab') && chosen && !event.shiftKey) {
      event.preventDefault();
      take(chosen);
    } else if (key === 'Tab' && !event.shiftKey && line.includes(GAP)) {
      // On to the next size that is to be typed.
      event.preventDefault();
      select(line.indexOf(GAP), line.indexOf(GAP) + 1);
    } else if (key === 'Enter') {
      event.preventDefault();
      if (line.trim()) props.next();
      else props.drop('ends');
    } else if (key === 'Backspace' && line === '') {
      event.preventDefault();
      props.drop('back');
    }
  };
  const paste = (event: ClipboardEvent<HTMLTextAreaElement>) => {
    const lines = event.clipboardData
      .getData('text')
      .split(/\r?\n/)
      .map((one) => one.trim())
      .filter(Boolean);
    if (lines.length < 2) return;
    event.preventDefault();
    props.paste(lines);
  };
  return (
    <>
      <div className="flex items-center gap-1">
        <textarea
          ref={(element) => {
            own.current = element;
            props.field(element);
          }}
          aria-label={`Feature ${n + 1}`}
          aria-invalid={wrong}
          aria-describedby={`${list}-said`}
          aria-autocomplete="list"
          aria-controls={offers.length ? list : undefined}
          aria-activedescendant={chosen ? `${list}-${at}` : undefined}
          value={line}
          placeholder={props.placeholder}
          rows={1}
          maxLength={300}
          spellCheck={false}
          autoCapitalize="off"
          enterKeyHint="next"
          onKeyDown={press}
          onPaste={paste}
          onFocus={props.enter}
          onBlur={() => {
            setAt(null);
            ask(null);
            props.leave();
          }}
          onChange={(event) => {
            ask(null);
            setAt(null);
            props.type(event.target.value.replace(/\n/g, ' '));
          }}
          className={`min-h-11 min-w-0 flex-1 resize-none field-sizing-content rounded border bg-paper px-2 py-2 ${wrong ? 'border-stop-edge' : 'border-line'}`}
        />
        <Button look="quiet" aria-label={`Copy feature ${n + 1}`} onClick={props.copy}>
          copy
        </Button>
        <Button look="quiet" aria-label={`Remove feature ${n + 1}`} onClick={props.remove}>
          ✕
        </Button>
      </div>
      <p id={`${list}-said`} className={wrong ? 'text-stop-edge' : 'text-soft'}>
        {spoken && (
          <>
            {spoken.problem ? (
              <Marked text={spoken.problem} />
            ) : kept ? (
              spoken.operations
            ) : (
              `${spoken.says}: ${spoken.operations}`
            )}
            {spoken.also.length > 0 && `. Kept as ${spoken.also.length + 1} lines.`}
            {spoken.suggest && ` Say ${spoken.suggest}`}
          </>
        )}
      </p>
      {offers.length > 0 && (
        <ul
          id={list}
          // Near the end of the page it would hang out of sight.
          ref={inSight}
          role="listbox"
          aria-label="What may come next"
          className="absolute inset-x-0 top-full z-20 grid scroll-mb-20 rounded-md lg:grid-cols-2 border-2 border-ink bg-card shadow-lg">
          {offers.map((offer, i) => (
            <li
              key={offer.line}
              id={`${list}-${i}`}
              role="option"
              aria-selected={i === at}
              // The cursor stays in the line.
              onPointerDown={(event) => event.preventDefault()}
              onClick={() => take(offer)}
              ref={(element) => {
                if (element && i === at) element.scrollIntoView({ block: 'nearest' });
              }}
              className="flex min-h-11 cursor-pointer items-center gap-3 px-2 py-1 hover:bg-mark-wash aria-selected:bg-mark-wash aria-selected:outline-2 aria-selected:-outline-offset-2 aria-selected:outline-mark">
              {offer.kind && <Thumbnail stage={kinds.find((one) => one.key === offer.kind)?.drawn} />}
              <span className="min-w-0">
                <span className="font-semibold">{offer.shows}</span> <span className="text-soft">{offer.says}</span>
              </span>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
