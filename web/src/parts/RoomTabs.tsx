import { Link, type LinkProps } from '@tanstack/react-router';

interface Props {
  label: string;
  tabs: readonly { to: LinkProps['to']; name: string }[];
}

/** The questions of one room, side by side. */
export function RoomTabs({ label, tabs }: Props) {
  return (
    <nav aria-label={label} className="flex flex-wrap gap-1">
      {tabs.map((tab) => (
        <Link
          key={tab.name}
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
