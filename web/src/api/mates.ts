import { useMutation, useQuery } from '@tanstack/react-query';
import { keep } from './change';
import { type Schemas, call } from './client';
import { onceKey } from './once';
import { client, refusalOf } from './queries';

export type Mate = Schemas['MateOut'];
type MateLine = Schemas['MateLine'];

export const useMates = () =>
  useQuery({ queryKey: ['mates'], queryFn: ({ signal }) => call<MateLine[]>('GET', '/mates', undefined, signal) });

export const useMate = (id: number) =>
  useQuery({
    queryKey: ['mate', id],
    queryFn: ({ signal }) => call<Mate>('GET', `/mates/${id}`, undefined, signal),
    // Another window, or the cut made for it, may have added a reading.
    staleTime: 0,
  });

async function keepMate(mate: Mate): Promise<void> {
  await keep(['mate', mate.id], mate);
  void client.invalidateQueries({ queryKey: ['mates'] });
}

/** Something done to a mate: `what` is the end of its address. */
export function useMateAct(id: number) {
  return useMutation({
    mutationFn: ({ what, body }: { what: string; body: Record<string, unknown> }) =>
      call<Mate>('POST', `/mates/${id}/${what}`, body),
    onSuccess: keepMate,
    onError: (error) => {
      // Another window was first: show what it did before anything is sent again.
      if (refusalOf(error)?.status === 409) void client.invalidateQueries({ queryKey: ['mate', id] });
    },
  });
}

export async function startMate(body: Record<string, unknown>): Promise<Mate> {
  const mate = await call<Mate>('POST', '/mates', { keep_key: onceKey(), ...body });
  await keepMate(mate);
  return mate;
}

export async function throwMate(id: number): Promise<void> {
  await call('DELETE', `/mates/${id}`);
  await client.invalidateQueries({ queryKey: ['mates'] });
}

export async function fetchMateBack(id: number): Promise<void> {
  await keepMate(await call<Mate>('POST', `/mates/${id}/back`));
}
