import { useState } from 'react';
import { type Problem, call } from '../api/client';
import { client, refusalOf } from '../api/queries';

/** Saving a whole thing: what stands in the way, and whether the server is there at all. */
export function useSaving(path: string, key: string | null, close: () => void) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const [gone, setGone] = useState(false);
  const save = async (body: unknown) => {
    setGone(false);
    try {
      if (key === null) await call('POST', path, body);
      else await call('PUT', `${path}/${key}`, body);
      await client.invalidateQueries();
      close();
    } catch (error) {
      setProblem(refusalOf(error));
      setGone(!refusalOf(error));
    }
  };
  return { save, problem, gone };
}
