import { Link, Outlet, useRouterState } from '@tanstack/react-router';
import { Suspense, useCallback, useEffect, useState } from 'react';
import { useCalculators, useServerGone } from '../api/queries';
import { useLocked } from '../state/door';
import { useKey } from '../state/keys';
import { isDark, setPrefs, usePrefs } from '../state/prefs';
import { pinBareNumbers } from '../state/question';
import { Button } from './Button';
import { Undo } from './Undo';
import { later } from './later';

const Ask = later(() => import('./Ask'));
const SignIn = later(() => import('./SignIn'));
const Help = later(() => import('./Help'));

const ROOMS = [
  { to: '/speeds', name: 'Speeds', also: '/sheet' },
  { to: '/to-size', name: 'To size', also: '/practice' },
  { to: '/holes', name: 'Holes', also: '/trays' },
  { to: '/threads', name: 'Threads' },
  { to: '/faults', name: 'Faults' },
  { to: '/metals', name: 'Metals' },
  { to: '/slate', name: 'Slate' },
  { to: '/workshop', name: 'Workshop' },
] as const;

/** The page around every room: navigation on a steel rule, Ask, units, light. */
export function Shell() {
  const path = useRouterState({ select: (state) => state.location.pathname });
  const prefs = usePrefs();
  const [asking, setAsking] = useState(false);
  const [helping, setHelping] = useState(false);
  const gone = useServerGone();
  const locked = useLocked();
  const calculators = useCalculators();
  const chooseUnit = (unit: 'mm' | 'inch') => {
    if (unit === prefs.unit) return;
    for (const { name, fields } of calculators.data ?? []) {
      const lengths = fields.filter((f) => f.kind.startsWith('length')).map((f) => f.name);
      pinBareNumbers(name, lengths, prefs.unit);
    }
    setPrefs({ unit });
  };

  useKey('/', useCallback(() => setAsking(true), []));
  useKey('?', useCallback(() => setHelping(true), []));
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        setAsking(true);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);

  return (
    <>
      <a href="#room" className="sr-only focus:not-sr-only focus:absolute focus:p-3">
        To the room
      </a>
      <header className="bg-card">
        <div className="mx-auto flex max-w-[1400px] flex-wrap items-center gap-x-4 px-3 pt-2 sm:px-6">
          <span className="text-2xl font-semibold">Runk</span>
          <nav aria-label="Rooms" className="order-last flex w-full flex-wrap sm:order-none sm:w-auto">
            {ROOMS.map((room) => {
              const here = path.startsWith(room.to) || ('also' in room && path.startsWith(room.also));
              return (
                <Link
                  key={room.to}
                  to={room.to}
                  aria-current={here ? 'page' : undefined}
                  className={`relative flex min-h-12 items-center px-3 text-lg no-underline max-sm:px-1.5 max-sm:text-base ${
                    here ? 'font-semibold text-ink' : 'font-medium text-soft hover:text-ink'
                  }`}
                >
                  {room.name}
                  {here && (
                    <span
                      aria-hidden
                      className="absolute -bottom-0.5 left-1/2 h-2.5 w-5 -translate-x-1/2 bg-mark [clip-path:polygon(0_100%,50%_0,100%_100%)]"
                    />
                  )}
                </Link>
              );
            })}
          </nav>
          <div className="ml-auto flex items-center gap-2">
            <Button
              onClick={() => setAsking(true)}
              className="text-soft lg:w-72 lg:justify-between"
              aria-keyshortcuts="Control+K"
            >
              <span>
                Ask<span className="hidden lg:inline">: turn 22mm silver steel</span>
              </span>
              <kbd className="hidden text-base lg:inline">Ctrl K</kbd>
            </Button>
            <div role="group" aria-label="Unit of a bare number" className="flex">
              {(['mm', 'inch'] as const).map((unit) => (
                <Button
                  key={unit}
                  look={prefs.unit === unit ? 'main' : 'plain'}
                  aria-pressed={prefs.unit === unit}
                  onClick={() => chooseUnit(unit)}
                  className="first:rounded-r-none last:rounded-l-none"
                >
                  {unit}
                </Button>
              ))}
            </div>
            <Button
              aria-label={isDark(prefs) ? 'Day light' : 'Night shed'}
              onClick={() => setPrefs({ theme: isDark(prefs) ? 'light' : 'dark' })}
            >
              {isDark(prefs) ? '☀' : '☾'}
            </Button>
            <Button aria-label="Keys and help" onClick={() => setHelping(true)} className="max-sm:hidden">
              ?
            </Button>
          </div>
        </div>
        <div className="rule" aria-hidden />
      </header>
      {gone && (
        <p role="alert" className="bg-stop px-6 py-2 text-stop-ink">
          <strong className="font-semibold">Runk’s server does not answer.</strong> What you typed is
          kept; this page tries again by itself. If it was stopped, start it again with{' '}
          <code>make demo</code> or <code>runk serve</code>.
        </p>
      )}
      <main id="room" className="mx-auto max-w-[1400px] px-3 py-4 sm:px-6">
        <Suspense fallback={<p className="py-10 text-soft">Fetching the room …</p>}>
          {locked ? <SignIn /> : <Outlet />}
        </Suspense>
      </main>
      <Suspense>
        {asking && !locked && <Ask close={() => setAsking(false)} />}
        {helping && <Help close={() => setHelping(false)} />}
      </Suspense>
      <Undo />
    </>
  );
}
