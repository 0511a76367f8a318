import { type ComponentType, lazy } from 'react';

const WAIT_MS = 1500;

// Props are the part's own affair, as they are for React's lazy.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
type Part = ComponentType<any>;
type Load<T extends Part> = () => Promise<{ default: T }>;

/** A part fetched when it is wanted. A server that is gone for a moment is asked again, not given up on. */
export function later<T extends Part>(load: Load<T>) {
  const again: Load<T> = () =>
    load().catch(async () => {
      await new Promise((done) => setTimeout(done, WAIT_MS));
      return again();
    });
  return lazy(again);
}
