import { useSyncExternalStore } from 'react';

/** A value that many parts of the page watch. */
export interface Store<T> {
  get: () => T;
  set: (next: T) => void;
  /** The value, and the page drawn again whenever it changes. */
  use: () => T;
}

export function createStore<T>(first: T): Store<T> {
  let now = first;
  const watchers = new Set<() => void>();
  const watch = (watcher: () => void) => {
    watchers.add(watcher);
    return () => watchers.delete(watcher);
  };
  return {
    get: () => now,
    set: (next) => {
      if (Object.is(next, now)) return;
      now = next;
      watchers.forEach((watcher) => watcher());
    },
    use: () => useSyncExternalStore(watch, () => now),
  };
}
