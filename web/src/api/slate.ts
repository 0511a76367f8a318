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

/** An item taken up or down by some places. */
export function moveItem(items: SlateItem[], index: number, by: number): Promise<void> {
  const moved = [...items];
  moved.splice(index + by, 0, ...moved.splice(index, 1));
  const order = moved.map((item) => item.id);
  return change<SlateItem[]>({ of, now: () => moved, send: () => call('PUT', '/slate/order', { order }) });
}
