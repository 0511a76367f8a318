import { createRootRoute, createRoute, createRouter, redirect } from '@tanstack/react-router';

import { Shell } from './parts/Shell';
import { SpeedsRoom } from './rooms/speeds/SpeedsRoom';
import { later } from './parts/later';

const WorkshopRoom = later(() => import('./rooms/workshop/WorkshopRoom'));
const FaultsRoom = later(() => import('./rooms/faults/FaultsRoom'));
const MetalsRoom = later(() => import('./rooms/metals/MetalsRoom'));
const SheetRoom = later(() => import('./rooms/sheet/SheetRoom'));
const ToSizeRoom = later(() => import('./rooms/tosize/ToSizeRoom'));
const CutRoom = later(() => import('./rooms/tosize/CutRoom'));
const PracticeRoom = later(() => import('./rooms/tosize/PracticeRoom'));
const HolesRoom = later(() => import('./rooms/holes/HolesRoom'));
const NearestRoom = later(() => import('./rooms/holes/NearestRoom'));
const DepthRoom = later(() => import('./rooms/holes/DepthRoom'));
const AngledRoom = later(() => import('./rooms/holes/AngledRoom'));
const TraysRoom = later(() => import('./rooms/trays/TraysRoom'));
const TapRoom = later(() => import('./rooms/threads/TapRoom'));
const job = (name: 'DieRoom' | 'StudRoom' | 'CoverRoom' | 'ClearanceRoom' | 'TightenRoom' | 'WhichRoom' | 'SizesRoom') =>
  later(() => import('./rooms/threads/Jobs').then((module) => ({ default: module[name] })));
const SlateRoom = later(() => import('./rooms/slate/SlateRoom'));

const root = createRootRoute({ component: Shell });
const home = createRoute({
  getParentRoute: () => root,
  path: '/',
  beforeLoad: () => {
    throw redirect({ to: '/speeds' });
  },
});
const speeds = createRoute({ getParentRoute: () => root, path: '/speeds', component: SpeedsRoom });
const toSize = createRoute({ getParentRoute: () => root, path: '/to-size', component: ToSizeRoom });
const cut = createRoute({ getParentRoute: () => root, path: '/to-size/$cut', component: CutRoom });
const practice = createRoute({ getParentRoute: () => root, path: '/practice', component: PracticeRoom });
const holes = createRoute({ getParentRoute: () => root, path: '/holes', component: HolesRoom });
const nearest = createRoute({ getParentRoute: () => root, path: '/holes/nearest', component: NearestRoom });
const depth = createRoute({ getParentRoute: () => root, path: '/holes/depth', component: DepthRoom });
const angled = createRoute({ getParentRoute: () => root, path: '/holes/angled', component: AngledRoom });
const trays = createRoute({ getParentRoute: () => root, path: '/trays', component: TraysRoom });
const threads = createRoute({ getParentRoute: () => root, path: '/threads', component: TapRoom });
const die = createRoute({ getParentRoute: () => root, path: '/threads/die', component: job('DieRoom') });
const stud = createRoute({ getParentRoute: () => root, path: '/threads/stud', component: job('StudRoom') });
const cover = createRoute({ getParentRoute: () => root, path: '/threads/cover', component: job('CoverRoom') });
const clearance = createRoute({ getParentRoute: () => root, path: '/threads/clearance', component: job('ClearanceRoom') });
const tighten = createRoute({ getParentRoute: () => root, path: '/threads/tighten', component: job('TightenRoom') });
const which = createRoute({ getParentRoute: () => root, path: '/threads/which', component: job('WhichRoom') });
const sizes = createRoute({ getParentRoute: () => root, path: '/threads/sizes', component: job('SizesRoom') });
const faults = createRoute({ getParentRoute: () => root, path: '/faults', component: FaultsRoom });
const metals = createRoute({ getParentRoute: () => root, path: '/metals', component: MetalsRoom });
const sheet = createRoute({ getParentRoute: () => root, path: '/sheet', component: SheetRoom });
const slate = createRoute({ getParentRoute: () => root, path: '/slate', component: SlateRoom });
const workshop = createRoute({
  getParentRoute: () => root,
  path: '/workshop',
  component: WorkshopRoom,
});

export const router = createRouter({
  routeTree: root.addChildren([
    home, speeds, toSize, cut, practice, holes, nearest, depth, angled, trays,
    threads, die, stud, cover, clearance, tighten, which, sizes, faults, metals, sheet, slate, workshop,
  ]),
});

declare module '@tanstack/react-router' {
  interface Register {
    router: typeof router;
  }
}
