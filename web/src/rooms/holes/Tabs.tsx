import { Link } from '@tanstack/react-router';

const TABS = [
  { to: '/holes', name: 'A hole' },
  { to: '/holes/nearest', name: 'Nearest drill' },
  { to: '/holes/depth', name: 'Where the stop is' },
  { to: '/holes/angled', name: 'At an angle' },
  { to: '/trays', name: 'Trays' },
] as const;

/** The questions about holes, side by side. */
export function Tabs() {
  return (
    <nav aria-label="Holes" className="flex flex-wrap gap-1">
      {TABS.map((tab) => (
        <Link
          key={tab.to}
          to={tab.to}
          activeOptions={{ exact: true }}
          className="inline-flex min-h-11 items-center rounded-md border border-line px-3 text-lg no-underline aria-[current=page]:border-mark aria-[current=page]:bg-mark-wash aria-[current=page]:font-semibold"
        >
          {tab.name}
        </Link>
      ))}
    </nav>
  );
}
