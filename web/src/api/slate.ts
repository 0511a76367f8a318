import { call } from './client';
import { change } from './change';
import type { SlateItem } from './queries';

const of = ['slate'] as const;

const changed = (id: number, how: Partial<SlateItem>) => (items: SlateItem[]) =>
  items.map((item) => (item.id === id ? { ...item, ...how } : item));

export const changeItem = (id: number, how: Partial<SlateItem>): Promise<void> =>
  change<SlateItem[]>({ of, now: changed(id, how), send: () => call('PATCH', `/slate/${id}`, how) });

export const removeItem = (id: number): Promise<void> =>
  change<SlateItem[]>({
    of,
    now: (items) => items.filter((item) => item.id !== id),
    send: () => call('DELETE', `/slate/${id}`),
  });

export const restoreItem = (id: number): Promise<void> =>
  change<SlateItem[]>({ of, send: () => call('POST', `/slate/${id}/back`) });

/** An item taken up or down by one place: only it moves, however many there are. */
export function moveItem(items: SlateItem[], index: number, by: 1 | -1): Promise<void> {
  const item = items[index]!;
  const beside = items[index + by]!.id;
  const moved = [...items];
  moved.splice(index + by, 0, ...moved.splice(index, 1));
  const where = by < 0 ? { before: beside } : { after: beside };
  return change<SlateItem[]>({ of, now: () => moved, send: () => call('PUT', `/slate/${item.id}/place`, where) });
}
