import { client, refusalOf } from './queries';
import { tell } from '../state/notice';

interface Change<T> {
  /** Which kept thing: the key of its query. */
  of: readonly unknown[];
  /** As it will be, shown at once; left out where only the server can say. */
  now?: (old: T) => T;
  send: () => Promise<unknown>;
  /** Other queries that speak of it. */
  also?: readonly (readonly unknown[])[];
}

const underWay = new Map<string, number>();

/**
 * The one way to change a kept thing: shown at once, sent, and taken back should the server refuse.
 * A look at it that was on its way is dropped: it would show the thing as it was.
 */
export async function change<T>({ of, now, send, also = [] }: Change<T>): Promise<void> {
  const key = JSON.stringify(of);
  underWay.set(key, (underWay.get(key) ?? 0) + 1);
  await client.cancelQueries({ queryKey: of }, { revert: false });
  const before = client.getQueryData<T>(of);
  if (now && before !== undefined) client.setQueryData<T>(of, now(before));
  try {
    await send();
  } catch (error) {
    if (now) client.setQueryData(of, before);
    tell(refusalOf(error)?.detail ?? 'Not saved: the server does not answer. It is as it was.');
    throw error;
  } finally {
    const left = (underWay.get(key) ?? 1) - 1;
    underWay.set(key, left);
    if (left === 0) await client.invalidateQueries({ queryKey: of });
    for (const other of also) await client.invalidateQueries({ queryKey: other });
  }
}

/** What the server answered, put where the page looks for it. */
export async function keep(of: readonly unknown[], value: unknown): Promise<void> {
  await client.cancelQueries({ queryKey: of });
  client.setQueryData(of, value);
}
