import { useEffect, useRef } from 'react';
import { Link, useLocation } from 'wouter';
import { useCalculators } from '../api/queries';
import { familiesOf, placesOf, tabsOf } from '../house';

/** The questions of one room, side by side; nothing where there is only one. */
export function RoomTabs({ room }: { room: string }) {
  const calculators = useCalculators();
  const [path] = useLocation();
  const tabs = tabsOf(placesOf(calculators.data ?? []), room);
  // On a phone the tabs run on past the edge: the one somebody is on is brought into sight.
  const nav = useRef<HTMLElement>(null);
  useEffect(() => {
    const here = nav.current?.querySelector<HTMLElement>('[aria-current=page]');
    if (here && nav.current)
      nav.current.scrollLeft = here.offsetLeft - nav.current.clientWidth / 2 + here.clientWidth / 2;
  }, [path, tabs.length]);
  if (tabs.length < 2) return null;
  const families = familiesOf(tabs);
  return (
    <nav ref={nav} aria-label={`In ${room}`} className="relative flex gap-1 overflow-x-auto max-sm:-mx-3 max-sm:px-3 ">
      {families.map(({ name, tabs: its }) =>
        // A room of many tabs shows those of one family; the others stand under their name.
        families.length === 1 || its.some((tab) => tab.path === path) ? (
          <span key={name} role="group" aria-label={name || room} className="flex shrink-0 items-center gap-1">
            {name && <span className="pr-1 font-semibold text-soft max-sm:hidden">{name}</span>}
            {its.map((tab) => (
              <Link
                key={tab.path}
                to={tab.path}
                aria-current={path === tab.path ? 'page' : undefined}
                className="inline-flex min-h-11 shrink-0 items-center rounded-md border border-line px-2.5 text-lg no-underline aria-[current=page]:border-mark aria-[current=page]:bg-mark-wash aria-[current=page]:font-semibold">
                {tab.tab}
              </Link>
            ))}
          </span>
        ) : (
          <Link
            key={name}
            to={its[0]!.path}
            className="inline-flex min-h-11 shrink-0 items-center rounded-md bg-line/50 px-2.5 text-lg text-ink no-underline hover:bg-mark-wash">
            {name}
          </Link>
        ),
      )}
    </nav>
  );
}
