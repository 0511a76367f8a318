import { useState } from 'react';
import { Link } from 'wouter';
import { GROUPS, type Place, roomsOf } from '../house';

interface Props {
  places: Place[];
  here: Place | undefined;
  ask: () => void;
}

/** The groups and Ask at the thumb's end of a phone; a group opens the list of its rooms. */
export function PhoneBar({ places, here, ask }: Props) {
  const [open, setOpen] = useState<string | null>(null);
  const rooms = open ? roomsOf(places, open) : [];
  return (
    <nav aria-label="Rooms" className="fixed inset-x-0 bottom-0 z-20 border-t-2 border-strong bg-card sm:hidden">
      {open && (
        <ul aria-label={`Rooms of ${open}`} className="grid grid-cols-2 gap-1 border-b border-line p-2">
          {rooms.map((room) => (
            <li key={room.room}>
              <Link
                to={room.path}
                onClick={() => setOpen(null)}
                aria-current={room.room === here?.room ? 'page' : undefined}
                className="flex min-h-12 items-center rounded px-3 text-xl no-underline aria-[current=page]:bg-mark-wash aria-[current=page]:font-semibold">
                {room.room}
              </Link>
            </li>
          ))}
        </ul>
      )}
      <div className="grid grid-cols-4">
        {GROUPS.map((group) => (
          <button
            key={group}
            type="button"
            aria-expanded={open === group}
            aria-current={here?.group === group ? 'true' : undefined}
            onClick={() => setOpen(open === group ? null : group)}
            className="min-h-14 cursor-pointer text-xl font-medium text-soft aria-[current=true]:font-semibold aria-[current=true]:text-mark aria-expanded:bg-mark-wash">
            {group}
          </button>
        ))}
        <button
          type="button"
          onClick={() => {
            setOpen(null);
            ask();
          }}
          className="min-h-14 cursor-pointer border-l border-line text-xl font-semibold">
          Ask
        </button>
      </div>
    </nav>
  );
}
