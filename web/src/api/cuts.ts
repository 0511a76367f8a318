import { useMutation, useQuery } from '@tanstack/react-query';
import { type Schemas, call } from './client';
import { keep } from './change';
import { onceKey } from './once';
import { client, refusalOf } from './queries';

export type Cut = Schemas['CutOut'];
export type CutLine = Schemas['CutLine'];
export type Plan = Schemas['PlanAnswerWire'];
export type PlannedPass = Schemas['PlannedPassWire'];

export const useCuts = () =>
  useQuery({ queryKey: ['cuts'], queryFn: ({ signal }) => call<CutLine[]>('GET', '/cuts', undefined, signal) });

export const useCut = (id: number) =>
  useQuery({
    queryKey: ['cut', id],
    queryFn: ({ signal }) => call<Cut>('GET', `/cuts/${id}`, undefined, signal),
    // Another window may have added a reading.
    staleTime: 0,
  });

async function keepCut(cut: Cut): Promise<void> {
  await keep(['cut', cut.id], cut);
  void client.invalidateQueries({ queryKey: ['cuts'] });
}

/** Something done to a cut: `what` is the end of its address. */
export function useCutAct(id: number) {
  return useMutation({
    mutationFn: ({ what, body }: { what: string; body: Record<string, unknown> }) =>
      call<Cut>('POST', `/cuts/${id}/${what}`, body),
    onSuccess: keepCut,
    onError: (error) => {
      // Another window was first: show what it did before anything is sent again.
      if (refusalOf(error)?.status === 409) void client.invalidateQueries({ queryKey: ['cut', id] });
    },
  });
}

export async function startCut(body: Record<string, unknown>): Promise<Cut> {
  const cut = await call<Cut>('POST', '/cuts', { keep_key: onceKey(), ...body });
  await keepCut(cut);
  return cut;
}

export async function throwCut(id: number): Promise<void> {
  await call('DELETE', `/cuts/${id}`);
  await client.invalidateQueries({ queryKey: ['cuts'] });
}

export async function fetchCutBack(id: number): Promise<void> {
  await keepCut(await call<Cut>('POST', `/cuts/${id}/back`));
}
