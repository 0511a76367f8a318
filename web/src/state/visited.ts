import type { Place } from '../house';

const last = new Map<string, string>();

/** Where one was last in a group or a room, so that its name leads back there. */
export const lastIn = (name: string): string | undefined => last.get(name);

export function visit(place: Place): void {
  if (!place.tab) return;
  last.set(place.group, place.path);
  last.set(place.room, place.path);
}
