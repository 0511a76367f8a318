import { createRootRoute, createRoute, createRouter, redirect } from '@tanstack/react-router';
import { lazy } from 'react';
import { Shell } from './parts/Shell';
import { SpeedsRoom } from './rooms/speeds/SpeedsRoom';

const WorkshopRoom = lazy(() => import('./rooms/workshop/WorkshopRoom'));
const FaultsRoom = lazy(() => import('./rooms/faults/FaultsRoom'));
const MetalsRoom = lazy(() => import('./rooms/metals/MetalsRoom'));
const SheetRoom = lazy(() => import('./rooms/sheet/SheetRoom'));
const ToSizeRoom = lazy(() => import('./rooms/tosize/ToSizeRoom'));
const CutRoom = lazy(() => import('./rooms/tosize/CutRoom'));
const PracticeRoom = lazy(() => import('./rooms/tosize/PracticeRoom'));
const SlateRoom = lazy(() => import('./rooms/slate/SlateRoom'));

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
    home, speeds, toSize, cut, practice, faults, metals, sheet, slate, workshop,
  ]),
});

declare module '@tanstack/react-router' {
  interface Register {
    router: typeof router;
  }
}
