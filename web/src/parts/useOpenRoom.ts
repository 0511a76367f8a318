import { useLocation } from 'wouter';
import { useCalculators } from '../api/queries';
import { pathOf } from '../house';
import { setQuestion, type Typed } from '../state/question';
import { type Work, workFor } from '../state/work';

/** Opens a calculator's room with its question filled in; what is kept there goes to what it was opened for. */
export function useOpenRoom(): (name: string, question: Typed, work?: Omit<Work, 'calculator'>) => void {
  const [, go] = useLocation();
  const calculators = useCalculators().data ?? [];
  return (name, question, work) => {
    setQuestion(name, question);
    if (work) workFor({ calculator: name, ...work });
    go(pathOf(calculators, name));
  };
}
