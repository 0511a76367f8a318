import { useMutation } from '@tanstack/react-query';
import { useCallback } from 'react';
import { onceKey } from '../api/once';
import { call } from '../api/client';
import { type SlateItem, client } from '../api/queries';
import { useKey } from '../state/keys';
import { usePrefs } from '../state/prefs';
import { offerUndo } from '../state/undo';
import { keptOn, useWork } from '../state/work';
import type { Typed } from '../state/question';
import { Button } from './Button';
import { removeItem } from '../api/slate';

interface Props {
  calculator: string;
  typed: Typed;
  unit: string;
  ready: boolean;
}

/** Keep the answer on the slate. The server answers again: no number is carried by hand. */
export function KeepButton({ calculator, typed, unit, ready }: Props) {
  const { keys } = usePrefs();
  const work = useWork(calculator);
  const keeping = useMutation({
    mutationFn: () =>
      call<SlateItem>('POST', '/slate', { keep_key: onceKey(), calculator, question: typed, unit, ...keptOn(work) }),
    onSuccess: (item) => {
      offerUndo({ says: `Kept: ${item.headline}`, undo: () => removeItem(item.id) });
      void client.invalidateQueries({ queryKey: ['part'] });
      return client.invalidateQueries({ queryKey: ['slate'] });
    },
  });
  const keep = useCallback(() => {
    if (ready && !keeping.isPending) keeping.mutate();
  }, [ready, keeping]);
  useKey('k', keep);
  return (
    <Button look="main" disabled={!ready} onClick={keep}>
      {work ? `Keep on ${work.feature || work.name}` : 'Keep this'} {keys && <kbd className="text-base">K</kbd>}
    </Button>
  );
}
