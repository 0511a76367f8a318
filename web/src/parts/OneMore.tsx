import { useState } from 'react';
import type { Problem } from '../api/client';
import { Button } from './Button';

/** The one thing a line wants: asked, with its choices to press, or typed and opened in the room. */
export function OneMore({
  wants,
  says,
  tell,
}: {
  wants: NonNullable<Problem['wants']>;
  says: string;
  tell: (field: string, text: string) => void;
}) {
  const [text, setText] = useState('');
  const understood = says.replace(wants.asks, '').trim();
  return (
    <div role="group" aria-label="One thing more">
      {understood && <p className="text-soft">{understood}</p>}
      <p className="mt-1 text-2xl font-semibold">{wants.asks}</p>
      {wants.choices.length > 0 ? (
        <ul className="mt-2 flex flex-wrap gap-2" aria-label={wants.label}>
          {wants.choices.map((choice) => (
            <li key={choice.key}>
              <Button onClick={() => tell(wants.field, choice.key)}>{choice.label}</Button>
            </li>
          ))}
        </ul>
      ) : (
        <div className="mt-2 flex items-end gap-2">
          <label className="block">
            <span className="text-soft">{wants.label}</span>
            <input
              value={text}
              onChange={(event) => setText(event.target.value)}
              onKeyDown={(event) => {
                if (event.key !== 'Enter') return;
                event.preventDefault();
                tell(wants.field, text.trim());
              }}
              placeholder={wants.placeholder}
              autoComplete="off"
              spellCheck={false}
              className="mt-1 block w-48 rounded-md border-2 border-ink bg-paper px-3 py-1 text-xl placeholder:text-soft"
            />
          </label>
          <Button look="main" onClick={() => tell(wants.field, text.trim())}>
            Open in the room
          </Button>
        </div>
      )}
    </div>
  );
}
