import { useLocation } from 'wouter';
import type { Schemas } from '../api/client';
import { useCalculators } from '../api/queries';
import { pathOf } from '../house';
import { setQuestion } from '../state/question';
import { Button } from './Button';

/** Where to go next, the question filled in: no number is carried by hand. */
export function Links({ links }: { links: Schemas['LinkWire'][] }) {
  const [, go] = useLocation();
  const calculators = useCalculators();
  if (links.length === 0) return null;
  return (
    <div className="flex flex-wrap gap-2">
      {links.map((link) => (
        <Button
          key={link.reason}
          onClick={() => {
            setQuestion(link.calculator, link.question);
            go(pathOf(calculators.data ?? [], link.calculator));
          }}>
          {link.reason} <span aria-hidden>→</span>
        </Button>
      ))}
    </div>
  );
}
