import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { type Schemas, call } from '../../api/client';
import type { Part } from '../../api/parts';

/** A part's drawing as it is typed. */
export interface Drawing {
  metal: string;
  blank: string;
  lines: string[];
  notes: string;
  alike: string;
  harden: boolean;
}

export const drawingOf = (part: Part): Drawing => ({
  metal: part.metal,
  blank: part.blank_typed,
  lines: part.features.map((one) => one.typed),
  notes: part.notes.join('\n'),
  alike: String(part.alike),
  harden: part.harden,
});

/** A drawing and what it was before each change, so that every one can be undone. */
export function useDrawing(now: Drawing) {
  // As it was begun, and after each change: the last is on top. Unchanged, it is as it is kept.
  const [history, setHistory] = useState<Drawing[]>([]);
  const drawing = history.at(-1) ?? now;
  return {
    drawing,
    changed: history.length > 0,
    // Letters of one word are one change.
    put: (next: Partial<Drawing>, typing = false) =>
      setHistory((before) => {
        const after = { ...(before.at(-1) ?? now), ...next };
        return typing && before.length > 0 ? [...before.slice(0, -1), after] : [...before, after];
      }),
    back: () => setHistory((before) => before.slice(0, -1)),
    leave: () => setHistory([]),
  };
}

export type Look = Schemas['LookOut'];
export type Spoken = Look['lines'][number];
export type Offer = Look['offers'][number];

/** The part as it is being typed: one round trip a change, a stale reply dropped, the last one kept meanwhile. */
export function useLook(body: Record<string, unknown>, typing: boolean): Look | undefined {
  const { data } = useQuery({
    queryKey: ['look', body],
    queryFn: ({ signal }) => call<Look>('POST', '/parts/look', body, signal),
    enabled: typing,
    placeholderData: keepPreviousData,
    gcTime: 0,
  });
  return typing ? data : undefined;
}

/** What was answered, line by line as they stand on the page: empty lines are not asked about. */
export function answers(lines: string[], found: Look['lines']): (Spoken | undefined)[] {
  let at = 0;
  return lines.map((line) => (line.trim() ? found[at++] : undefined));
}

export function moved(lines: string[], from: number, to: number): string[] {
  const next = [...lines];
  const [line] = next.splice(from, 1);
  next.splice(to, 0, line!);
  return next;
}

export type Kind = Schemas['KindOut'];

/** The kinds of feature there are, each with an example and its drawing. */
export const useKinds = (unit: string, wanted: boolean) =>
  useQuery({
    queryKey: ['kinds', unit],
    queryFn: ({ signal }) => call<Kind[]>('GET', `/parts/kinds?unit=${unit}`, undefined, signal),
    enabled: wanted,
    staleTime: Infinity,
  }).data;
