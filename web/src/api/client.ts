import { lock } from '../state/door';
import type { components } from './schema.generated';

export type Schemas = components['schemas'];
export type Problem = Schemas['Problem'];

/** The server said no, and why. */
export class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

/** The server did not answer at all. */
export class ServerGone extends Error {}

type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';

/** One round trip. A reply nobody waits for any more is dropped through `signal`. */
export async function call<T>(method: Method, path: string, body?: unknown, signal?: AbortSignal): Promise<T> {
  const headers: HeadersInit = body === undefined ? {} : { 'content-type': 'application/json' };
  const sent = body === undefined ? undefined : JSON.stringify(body);
  return answered<T>(path, { method, signal, headers, body: sent });
}

/** A whole file, as it is. */
export const sendFile = <T>(path: string, file: File): Promise<T> =>
  answered<T>(path, {
    method: 'POST',
    headers: { 'content-type': file.name.endsWith('.json') ? 'application/json' : 'text/csv' },
    body: file,
  });

async function answered<T>(path: string, request: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, request);
  } catch (error) {
    if (request.signal?.aborted) throw error;
    throw new ServerGone('The server does not answer.');
  }
  if (response.status === 204) return undefined as T;
  const isProblem = response.headers.get('content-type')?.includes('problem+json');
  if (!response.ok && !isProblem) throw new ServerGone(`The server answered ${response.status}.`);
  const data: unknown = await response.json();
  if (response.status === 401 && path !== '/sign-in') lock();
  if (!response.ok) throw new Refusal(data as Problem);
  return data as T;
}
