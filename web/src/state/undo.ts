import { createStore } from './store';

/** Something just done that can be taken back. */
export interface Undoable {
  says: string;
  undo: () => unknown;
}

const last = createStore<Undoable | null>(null);

export const offerUndo = last.set;
export const useUndo = last.use;
