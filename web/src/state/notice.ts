import { createStore } from './store';

/** A sentence about something that could not be done, where no field shows it. */
const notice = createStore('');

export const tell = notice.set;
export const useNotice = notice.use;
