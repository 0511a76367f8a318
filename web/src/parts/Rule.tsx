import { Link } from 'wouter';
import { GROUPS, type Place, roomsOf } from '../house';
import { lastIn } from '../state/visited';

interface Props {
  places: Place[];
  here: Place | undefined;
}

/** The rooms on a steel rule, in three groups; the rooms of the group one is in stand beside its name. */
export function Rule({ places, here }: Props) {
  return (
    <nav aria-label="Rooms" className="flex min-w-0 flex-wrap items-stretch max-sm:hidden">
      {GROUPS.map((group) => {
        const rooms = roomsOf(places, group);
        if (rooms.length === 0) return null;
        const inside = here?.group === group;
        return (
          <div key={group} className="flex min-w-0 flex-wrap items-stretch border-l border-soft first:border-l-0">
            <Link
              to={lastIn(group) ?? rooms[0]!.path}
              aria-current={inside ? 'true' : undefined}
              className={`flex min-h-12 items-center px-3 text-lg no-underline ${inside ? 'font-semibold text-mark' : 'font-medium text-soft hover:text-ink'}`}>
              {group}
            </Link>
            {inside && rooms.map((room) => <RoomLink key={room.room} place={room} here={room.room === here.room} />)}
          </div>
        );
      })}
    </nav>
  );
}

function RoomLink({ place, here }: { place: Place; here: boolean }) {
  return (
    <Link
      to={lastIn(place.room) ?? place.path}
      aria-current={here ? 'page' : undefined}
      className={`relative flex min-h-12 items-center px-2 text-lg whitespace-nowrap no-underline ${
        here ? 'font-semibold text-ink' : 'font-medium text-soft hover:text-ink'
      }`}>
      {place.room}
      {here && (
        <span
          aria-hidden
          className="absolute -bottom-0.5 left-1/2 h-2.5 w-5 -translate-x-1/2 bg-mark [clip-path:polygon(0_100%,50%_0,100%_100%)]"
        />
      )}
    </Link>
  );
}
