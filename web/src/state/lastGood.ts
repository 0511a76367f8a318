import { useState } from 'react';

/** The last value there was, while a refusal or a silent server leaves none. */
export function useLastGood<T>(value: T | undefined): T | undefined {
  const [last, setLast] = useState(value);
  if (value !== undefined && value !== last) setLast(() => value);
  return value ?? last;
}
