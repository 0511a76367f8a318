import { useEffect, useRef } from 'react';

/** The last value there was, while a refusal or a silent server leaves none. */
export function useLastGood<T>(value: T | undefined): T | undefined {
  const last = useRef(value);
  useEffect(() => {
    if (value !== undefined) last.current = value;
  }, [value]);
  return value ?? last.current;
}
