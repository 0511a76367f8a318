import { useSyncExternalStore } from 'react';

/** Something just done that can be taken back. */
export interface Undoable {
  says: string;
  undo: () => Promise<unknown> | void;
}

let last: Undoable | null = null;
const watchers = new Set<() => void>();

export function offerUndo(done: Undoable | null): void {
  last = done;
  watchers.forEach((watcher) => watcher());
}

export function useUndo(): Undoable | null {
  return useSyncExternalStore(
    (watcher) => {
      watchers.add(watcher);
      return () => watchers.delete(watcher);
    },
    () => last,
  );
}
