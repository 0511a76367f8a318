import { createStore } from './store';

/** What a room was opened for: its answers are kept there. */
export interface Work {
  calculator: string;
  part: number;
  name: string;
  feature: string;
}

const work = createStore<Work | null>(null);

export const workFor = (next: Work | null): void => work.set(next);

/** The feature this calculator was opened for; nothing where it was opened for none. */
export function useWork(calculator: string): Work | null {
  const now = work.use();
  return now?.calculator === calculator ? now : null;
}

/** Where what is kept of a calculator goes. */
export const keptOn = (now: Work | null): Record<string, unknown> =>
  now ? { part_id: now.part, feature: now.feature } : {};
