import { useMemo } from 'react';
import { type Calculator, refusalOf, useAnswer, useMetals, useShop } from '../api/queries';
import { useLastGood } from '../state/lastGood';
import { usePrefs } from '../state/prefs';
import { useQuestion } from '../state/question';

/** A calculator's question as typed, its last good answer, and what stands in the way. */
export function useAsked(calculator: Calculator) {
  const { name } = calculator;
  const { unit } = usePrefs();
  const [typed, change] = useQuestion(name);
  const metals = useMetals();
  const shop = useShop();
  const answer = useAnswer(name, typed, unit);
  const reply = useLastGood(answer.data);
  const options = useMemo(() => {
    const named = (metals.data ?? []).map((m) => ({ key: m.key, label: m.name }));
    const machine = (shop.data?.machines ?? []).map(({ machine }) => ({ key: machine.key, label: machine.name }));
    return { metal: named, machine };
  }, [metals.data, shop.data]);
  const problem = refusalOf(answer.error);
  return { unit, typed, change, calculator, reply, problem, options, fetching: answer.isFetching };
}
