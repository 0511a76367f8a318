import { RoomTabs } from '../../parts/RoomTabs';

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
export const ThreadTabs = () => <RoomTabs label="Threads" tabs={TABS} />;
