import type { ComponentType } from 'react';
import type { AnyReply, Calculator } from './api/queries';
import type { Typed } from './state/question';
import { later } from './parts/later';
import listed from './views.json';

/** Every place of the house: the calculators', which the server tells, and the other views. */
export interface Place {
  path: string;
  group: string;
  room: string;
  /** Its name among the tabs of its room; empty where it is reached otherwise. */
  tab: string;
  /** Of its tab, in a room that has many. */
  family?: string;
}

export const GROUPS = ['Cut', 'Jobs', 'Shop'] as const;

/** What a calculator's own parts are given. */
export interface Given<R = AnyReply> {
  reply: R;
  typed: Typed;
  change: (change: Typed) => void;
  unit: 'mm' | 'inch';
  /** Whether the answer is yesterday's, because what is typed now is refused. */
  stale: boolean;
}

/**
 * What a calculator may bring beside the room everybody gets: one file in `calculators/`, called
 * like the calculator, whose default export is this.
 */
export interface Extras<R = AnyReply> {
  /** In place of the plate that is drawn from the description. */
  plate?: ComponentType<Given<R>>;
  /** Above the plate: which of two answers is shown. */
  above?: ComponentType<Given<R>>;
  /** Under the plate. */
  below?: ComponentType<Given<R>>;
  /** Buttons beside Keep. */
  actions?: ComponentType<Given<R>>;
  /** Beside it all: the drawing. */
  side?: ComponentType<Given<R>>;
  /** Under the drawing: what is no part of the answer, and stays when that is refused. */
  also?: ComponentType<Given<R>>;
  /** Alone on the screen, in place of the steps drawn from the plate. */
  bench?: ComponentType<Given<R> & { close: () => void }>;
  /** Whether there is no bench view. */
  noBench?: boolean;
  /** Whether its answer is kept elsewhere than on the slate. */
  noKeep?: boolean;
}

const extras = import.meta.glob<{ default: Extras }>('./calculators/*.tsx');
const rooms = import.meta.glob<{ default: ComponentType }>('./rooms/*/*Room.tsx');

/** A calculator's own file, where it has one. */
export function extrasOf(name: string): (() => Promise<{ default: Extras }>) | undefined {
  return extras[`./calculators/${name}.tsx`];
}

interface View extends Place {
  Room: ComponentType;
}

/** The views that are no calculators. */
export const VIEWS: View[] = listed.map(({ file, ...place }) => ({
  ...place,
  Room: later(rooms[`./rooms/${file}.tsx`]!),
}));

/** Every place, in the order of the rule. */
export function placesOf(calculators: Calculator[]): Place[] {
  return [...calculators.map(({ door }) => door), ...VIEWS];
}

/** The rooms of a group, each with its first place. */
export function roomsOf(places: Place[], group: string): Place[] {
  const rooms = new Set(places.filter((place) => place.group === group && place.tab).map((place) => place.room));
  return [...rooms].map((room) => tabsOf(places, room)[0]!);
}

/** The tabs of a room; the one whose address is the room's own comes first. */
export function tabsOf(places: Place[], room: string): Place[] {
  const tabs = places.filter((place) => place.room === room && place.tab);
  const own = Math.min(...tabs.map((place) => place.path.length));
  return [...tabs.filter((place) => place.path.length === own), ...tabs.filter((place) => place.path.length !== own)];
}

/** The tabs of a room by their families, in the order they first come; one family in a small room. */
export function familiesOf(tabs: Place[]): { name: string; tabs: Place[] }[] {
  const names = new Set(tabs.map((place) => place.family ?? ''));
  return [...names].map((name) => ({ name, tabs: tabs.filter((place) => (place.family ?? '') === name) }));
}

/** The place an address stands for. */
export function placeAt(places: Place[], path: string): Place | undefined {
  const exact = places.find((place) => place.path === path);
  return exact ?? places.find((place) => place.path.includes(':') && path.startsWith(place.path.split(':')[0]!));
}

const ASIDE = /^(?:(?:open|show|go to|where (?:is|are)|the|my)\s+)+|\s+(?:room|page|tab)$/g;
const bare = (words: string) => words.trim().toLowerCase().replace(ASIDE, '').replace(/s$/, '');

/** The places somebody may mean who types no more than a name: "gears", "open the wall sheet". */
export function placesNamed(places: Place[], line: string): Place[] {
  const named = bare(line);
  if (!named) return [];
  const by = (of: (place: Place) => string) => places.filter((place) => place.tab && bare(of(place)) === named);
  const tabs = by((place) => place.tab);
  return tabs.length > 0 ? tabs : by((place) => place.room).slice(0, 1);
}

/** Where a calculator is found. */
export function pathOf(calculators: Calculator[], name: string): string {
  return calculators.find((one) => one.name === name)?.door.path ?? '/';
}
