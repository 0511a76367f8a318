import { RoomTabs } from '../../parts/RoomTabs';

const TABS = [
  { to: '/holes', name: 'A hole' },
  { to: '/holes/nearest', name: 'Nearest drill' },
  { to: '/holes/depth', name: 'Where the stop is' },
  { to: '/holes/angled', name: 'At an angle' },
  { to: '/trays', name: 'Trays' },
] as const;

/** The questions about holes, side by side. */
export const Tabs = () => <RoomTabs label="Holes" tabs={TABS} />;
