import { useNavigate } from '@tanstack/react-router';
import type { Schemas } from '../api/client';
import { ROOM_OF, setQuestion } from '../state/question';
import { Button } from './Button';

/** Where to go next, the question filled in: no number is carried by hand. */
export function Links({ links }: { links: Schemas['LinkWire'][] }) {
  const go = useNavigate();
  if (links.length === 0) return null;
  return (
    <div className="flex flex-wrap gap-2">
      {links.map((link) => (
        <Button
          key={link.reason}
          onClick={() => {
            setQuestion(link.calculator, link.question);
            void go({ to: ROOM_OF[link.calculator] ?? '/speeds' });
          }}
        >
          {link.reason} <span aria-hidden>→</span>
        </Button>
      ))}
    </div>
  );
}
