import { call } from '../api/client';
import { type SlateItem, client } from '../api/queries';

const refresh = () => client.invalidateQueries({ queryKey: ['slate'] });

let underWay = 0;

export async function changeItem(id: number, change: Partial<SlateItem>): Promise<void> {
  underWay += 1;
  // A refetch on its way would still show what this change replaces.
  void client.cancelQueries({ queryKey: ['slate'] }, { revert: false });
  // Shown at once; the refetch puts it right should the server say otherwise.
  client.setQueryData<SlateItem[]>(['slate'], (items) =>
    items?.map((item) => (item.id === id ? { ...item, ...change } : item)),
  );
  try {
    await call('PATCH', `/slate/${id}`, change);
  } finally {
    underWay -= 1;
    if (underWay === 0) await refresh();
  }
}

export async function removeItem(id: number): Promise<void> {
  await call('DELETE', `/slate/${id}`);
  await refresh();
}

export async function restoreItem(id: number): Promise<void> {
  await call('POST', `/slate/${id}/back`);
  await refresh();
}

export async function reorderItems(order: number[]): Promise<void> {
  client.setQueryData<SlateItem[]>(['slate'], (items) =>
    items && order.map((id) => items.find((i) => i.id === id)!).filter(Boolean),
  );
  await call('PUT', '/slate/order', { order });
  await refresh();
}
