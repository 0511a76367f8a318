import { Link } from '@tanstack/react-router';

const TABS = [
  { to: '/threads', name: 'Tap' },
  { to: '/threads/die', name: 'Die' },
  { to: '/threads/stud', name: 'Stud' },
  { to: '/threads/cover', name: 'Cover' },
  { to: '/threads/clearance', name: 'Clearance' },
  { to: '/threads/tighten', name: 'Tighten' },
  { to: '/threads/which', name: 'Which is it?' },
  { to: '/threads/sizes', name: 'Sizes' },
] as const;

/** The jobs with a thread, side by side. */
export function ThreadTabs() {
  return (
    <nav aria-label="Threads" className="flex flex-wrap gap-1">
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
