import { createStore } from '../state/store';
import { QueryClient, keepPreviousData, useQuery } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { Refusal, type Schemas, ServerGone, call } from './client';
import { type Typed, learn } from '../state/question';

export type AnyReply = Schemas['AnyReply'];
export type SpeedReply = Schemas['SpeedReply'];
export type SpeedAnswer = Schemas['SpeedAnswerWire'];
export type Figure = Schemas['FigureWire'];
export type Caution = Schemas['CautionWire'];
export type Calculator = Schemas['CalculatorOut'];
export type FieldOut = Schemas['FieldOut'];
export type Column = Schemas['ColumnOut'];
export type Fan = Schemas['Fan'];
export type Asked = Schemas['AskOut'];
export type Shop = Schemas['ShopOut'];
export type MachineOut = Schemas['MachineOut'];
export type Machine = Schemas['Machine'];
export type Metal = Schemas['MetalOut'];
export type SlateItem = Schemas['SlateItem'];
export type Engine = Schemas['EngineWithParts'];

export const client = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 30_000,
      // A server that is gone may come back; a refusal will not change by asking again.
      retry: (_, error) => error instanceof ServerGone,
      retryDelay: 1500,
      networkMode: 'always',
    },
    mutations: { networkMode: 'always' },
  },
});

const forever = { staleTime: Infinity };

export const useCalculators = () =>
  useQuery({
    queryKey: ['calculators'],
    queryFn: ({ signal }) => call<Calculator[]>('GET', '/calculators', undefined, signal).then(learn),
    ...forever,
  });

export const useMetals = () =>
  useQuery({
    queryKey: ['metals'],
    queryFn: ({ signal }) => call<Metal[]>('GET', '/metals', undefined, signal),
    ...forever,
  });

export const useShop = () =>
  useQuery({ queryKey: ['machines'], queryFn: ({ signal }) => call<Shop>('GET', '/machines', undefined, signal) });

export const useSlate = () =>
  useQuery({
    queryKey: ['slate'],
    queryFn: ({ signal }) => call<SlateItem[]>('GET', `/slate?limit=${slateShown.get()}`, undefined, signal),
  });

/** How many of the slate are looked at; more are fetched when somebody asks for them. */
export const PAGE = 50;
export const slateShown = createStore(PAGE);

export const useEngines = () =>
  useQuery({ queryKey: ['engines'], queryFn: ({ signal }) => call<Engine[]>('GET', '/engines', undefined, signal) });

/** The answer to a question as typed; the last good one stays while a new one is on its way. */
export function useAnswer<R = AnyReply>(calculator: string, typed: Typed, unit: string) {
  return useQuery({
    queryKey: ['answer', calculator, typed, unit],
    queryFn: ({ signal }) => call<R>('POST', `/calc/${calculator}`, { ...typed, unit }, signal),
    placeholderData: keepPreviousData,
  });
}

export function useFan(typed: Typed, unit: string, ready: boolean) {
  return useQuery({
    queryKey: ['fan', typed, unit],
    queryFn: ({ signal }) => call<Fan>('POST', '/calc/speed/fan', { ...typed, unit }, signal),
    placeholderData: keepPreviousData,
    enabled: ready,
  });
}

/** Whether any question still waits for a server that does not answer. */
export function useServerGone(): boolean {
  return useSyncExternalStore(
    (watcher) => client.getQueryCache().subscribe(watcher),
    () =>
      client
        .getQueryCache()
        .findAll({ type: 'active' })
        .some((query) => query.state.fetchFailureReason instanceof ServerGone),
  );
}

export function refusalOf(error: unknown): Schemas['Problem'] | null {
  return error instanceof Refusal ? error.problem : null;
}
