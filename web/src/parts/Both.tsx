import type { ReactNode } from 'react';
import { Button } from './Button';

interface Props {
  theirs: ReactNode;
  mine: ReactNode;
  takeTheirs: () => void;
  keepMine: () => void;
}

/** Saved in two windows: both sides, and which to keep. */
export function Both({ theirs, mine, takeTheirs, keepMine }: Props) {
  const sides = [
    { who: 'Saved in the other window', shown: theirs, act: takeTheirs, does: 'Take that' },
    { who: 'What you have here', shown: mine, act: keepMine, does: 'Keep this' },
  ];
  return (
    <div className="grid gap-4 sm:grid-cols-2">
      {sides.map(({ who, shown, act, does }) => (
        <section key={who} className="rounded border border-line bg-card p-3">
          <h2 className="font-semibold">{who}</h2>
          {shown}
          <Button className="mt-2" onClick={act}>
            {does}
          </Button>
        </section>
      ))}
    </div>
  );
}
