import { useEffect, useRef, useState } from 'react';
import { FeatureLine } from './FeatureLine';
import { type Kind, type Offer, type Spoken, moved } from './drawing';

interface Props {
  lines: string[];
  spoken: (Spoken | undefined)[];
  offers: Offer[];
  kinds: Kind[];
  /** Lines as they are kept. */
  kept: Set<string>;
  placeholder: string;
  put: (lines: string[], typing?: boolean) => void;
  /** Which line the cursor is in. */
  at: number | null;
  enter: (n: number | null) => void;
  /** After the last line. */
  end: () => void;
  /** A line that is to take the cursor; another object each time. */
  begin: { line: number } | null;
}

/** The features of a part, a line each: Enter goes on, an empty line ends. */
export function Lines({ lines, spoken, offers, kinds, kept, placeholder, put, at, enter, end, begin }: Props) {
  const fields = useRef<(HTMLTextAreaElement | null)[]>([]);
  const [goes, go] = useState<number | null>(null);
  const [moving, move] = useState<number | null>(null);
  useEffect(() => {
    if (goes === null) return;
    fields.current[goes]?.focus();
    go(null);
  }, [goes, lines.length]);
  useEffect(() => {
    if (begin) fields.current[begin.line]?.focus();
  }, [begin]);
  const without = (n: number) => lines.filter((_, one) => one !== n);
  return (
    <ol className="space-y-1.5">
      {lines.map((line, n) => (
        <li
          key={n}
          onDragOver={(event) => event.preventDefault()}
          onDrop={() => {
            if (moving !== null && moving !== n) put(moved(lines, moving, n));
            move(null);
          }}
          className={`relative ${moving === n ? 'opacity-50' : ''}`}>
          <div className="flex items-start gap-1">
            <span
              draggable
              aria-hidden
              title="Drag it to its place"
              onDragStart={() => move(n)}
              onDragEnd={() => move(null)}
              className="cursor-grab px-1 pt-2 text-soft select-none max-sm:hidden">
              ⠿
            </span>
            <div className="min-w-0 flex-1">
              <FeatureLine
                n={n}
                line={line}
                spoken={spoken[n]}
                kept={kept.has(line)}
                offers={at === n ? offers : []}
                kinds={kinds}
                placeholder={placeholder}
                field={(element) => {
                  fields.current[n] = element;
                }}
                type={(text) =>
                  put(
                    lines.map((one, i) => (i === n ? text : one)),
                    true,
                  )
                }
                paste={(more) => {
                  const before = line.trim() ? [...lines.slice(0, n + 1)] : lines.slice(0, n);
                  put([...before, ...more, ...lines.slice(n + 1)]);
                  go(before.length + more.length - 1);
                }}
                next={() => {
                  if (n === lines.length - 1) put([...lines, '']);
                  go(n + 1);
                }}
                drop={(how) => {
                  if (how === 'back' && lines.length > 1) {
                    put(without(n));
                    go(Math.max(n - 1, 0));
                  } else if (how === 'ends') {
                    if (lines.length > 1) put(without(n));
                    end();
                  }
                }}
                move={(by) => {
                  const to = n + by;
                  if (to < 0 || to >= lines.length) return;
                  put(moved(lines, n, to));
                  go(to);
                }}
                enter={() => enter(n)}
                leave={() => enter(null)}
                copy={() => put([...lines.slice(0, n + 1), line, ...lines.slice(n + 1)])}
                remove={() => put(without(n))}
              />
            </div>
          </div>
        </li>
      ))}
    </ol>
  );
}
