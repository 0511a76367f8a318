import { createStore } from './store';

/** What stands over the page: one thing at a time, so that none lies on another. */
export type Over = 'ask' | 'help' | 'bench' | 'rooms' | null;

const over = createStore<Over>(null);

export const openOver = over.set;
export const closeOver = () => over.set(null);
export const useOver = over.use;
export const nowOver = over.get;
