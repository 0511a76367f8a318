import { useEffect, useRef } from 'react';
import { Link, useLocation } from 'wouter';
import { useCalculators } from '../api/queries';
import { placesOf, tabsOf } from '../house';

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
  return (
    <nav
      ref={nav}
      aria-label={`In ${room}`}
      className="relative flex gap-1 overflow-x-auto max-sm:-mx-3 max-sm:px-3 sm:flex-wrap">
      {tabs.map((tab) => (
        <Link
          key={tab.path}
          to={tab.path}
          aria-current={path === tab.path ? 'page' : undefined}
          className="inline-flex min-h-11 shrink-0 items-center rounded-md border border-line px-3 text-lg no-underline aria-[current=page]:border-mark aria-[current=page]:bg-mark-wash aria-[current=page]:font-semibold">
          {tab.tab}
        </Link>
      ))}
    </nav>
  );
}
