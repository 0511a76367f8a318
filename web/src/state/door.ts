import { createStore } from './store';

/** Whether the server wants the pass-phrase before it answers anything. */
const locked = createStore(false);

export const lock = () => locked.set(true);
export const unlock = () => locked.set(false);
export const useLocked = locked.use;
