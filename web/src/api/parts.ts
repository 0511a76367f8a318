import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { keep } from './change';
import { type Schemas, call } from './client';
import { client, refusalOf } from './queries';

export type Part = Schemas['PartOut'];
export type SetUp = Schemas['SetUpOut'];
export type RouteLine = Schemas['LineOut'];
export type Stage = Schemas['Stage'];
export type PartLine = Schemas['PartLine'];
export type EngineWork = Schemas['EngineOut'];
type Rule = Schemas['RuleOut'];
type Tonight = Schemas['TonightOut'];

export const usePart = (id: number, unit: string) =>
  useQuery({
    queryKey: ['part', id, unit],
    queryFn: ({ signal }) => call<Part>('GET', `/parts/${id}?unit=${unit}`, undefined, signal),
    // Another device may have ticked a line.
    staleTime: 0,
  });

export const useEngineWork = (id: number, unit: string) =>
  useQuery({
    queryKey: ['work', id, unit],
    queryFn: ({ signal }) => call<EngineWork>('GET', `/engines/${id}/work?unit=${unit}`, undefined, signal),
    staleTime: 0,
  });

export const useTonight = (minutes: number, unit: string) =>
  useQuery({
    queryKey: ['tonight', minutes, unit],
    queryFn: ({ signal }) => call<Tonight>('GET', `/tonight?minutes=${minutes}&unit=${unit}`, undefined, signal),
    staleTime: 0,
  });

export const useRules = () =>
  useQuery({ queryKey: ['rules'], queryFn: ({ signal }) => call<Rule[]>('GET', '/rules', undefined, signal) });

interface Deed {
  /** The end of its address. */
  what: string;
  /** Whether it replaces or adds. */
  how: 'PUT' | 'POST';
  body: Record<string, unknown>;
  /** The version it was begun on, where that is not the one shown when it is sent. */
  version?: number;
}

/** Something done to a part: one thing after the other, each on what the one before it left. */
export function usePartAct(id: number, unit: string) {
  return useMutation({
    scope: { id: `part ${id}` },
    mutationFn: ({ what, how, body, version }: Deed) => {
      const shown = client.getQueryData<Part>(['part', id, unit])?.version;
      return call<Part>(how, `/parts/${id}/${what}${what === 'drawn' ? '' : `?unit=${unit}`}`, {
        version: version ?? shown,
        ...body,
      });
    },
    onSuccess: async (part: Part) => {
      await keep(['part', id, unit], part);
      void client.invalidateQueries({ queryKey: ['work'] });
      void client.invalidateQueries({ queryKey: ['tonight'] });
    },
    onError: (error) => {
      if (refusalOf(error)?.status === 409) void client.invalidateQueries({ queryKey: ['part', id] });
    },
  });
}

/** A line, a grip or a feature as the part's own drawing has it; it is kept by its name in millimetres. */
export function said(part: Part, name: string): string {
  return part.spoken[name] ?? name;
}

/**
 * The version that what is edited here was begun on.
 * What is done to the part elsewhere, but not to what is edited, takes nothing from it: then it is the newest.
 */
export function useBegun(part: Part, edited: unknown, editing = true): number {
  const now = { shown: JSON.stringify(edited), version: part.version };
  const [begun, begin] = useState(now);
  if (begun.shown === now.shown) return now.version;
  if (editing) return begun.version;
  begin(now);
  return now.version;
}
