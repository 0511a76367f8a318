import { useSyncExternalStore } from 'react';

/** Whether the server wants the pass-phrase before it answers anything. */
let locked = false;
const watchers = new Set<() => void>();

function set(next: boolean): void {
  if (locked === next) return;
  locked = next;
  watchers.forEach((watcher) => watcher());
}

export const lock = () => set(true);
export const unlock = () => set(false);

export function useLocked(): boolean {
  return useSyncExternalStore(
    (watcher) => {
      watchers.add(watcher);
      return () => watchers.delete(watcher);
    },
    () => locked,
  );
}
