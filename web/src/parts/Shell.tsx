import { type ReactNode, Suspense, useCallback, useEffect } from 'react';
import { flushSync } from 'react-dom';
import { useLocation } from 'wouter';
import { useCalculators, useServerGone } from '../api/queries';
import { placeAt, placesOf } from '../house';
import { closeOver, openOver, useOver } from '../state/dialog';
import { useLocked } from '../state/door';
import { useKey } from '../state/keys';
import { useNotice, tell } from '../state/notice';
import { isDark, setPrefs, usePrefs } from '../state/prefs';
import { pinBareNumbers } from '../state/question';
import { Ask } from './Ask';
import { Button } from './Button';
import { PhoneBar } from './PhoneBar';
import { Rule } from './Rule';
import { Undo } from './Undo';
import { later } from './later';

const SignIn = later(() => import('./SignIn'));
const Help = later(() => import('./Help'));

/** Within the key press: from that moment no key belongs to the room behind. */
function ask(): void {
  flushSync(() => openOver('ask'));
}

/** The page around every room: the rule, Ask, units, light. */
export function Shell({ children }: { children: ReactNode }) {
  const [path] = useLocation();
  const prefs = usePrefs();
  const over = useOver();
  const gone = useServerGone();
  const locked = useLocked();
  const notice = useNotice();
  const calculators = useCalculators();
  const places = placesOf(calculators.data ?? []);
  const here = placeAt(places, path);
  const chooseUnit = (unit: 'mm' | 'inch') => {
    if (unit === prefs.unit) return;
    pinBareNumbers(prefs.unit);
    setPrefs({ unit });
  };

  useKey('/', ask);
  useKey(
    '?',
    useCallback(() => openOver('help'), []),
  );
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        ask();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  // What was open belonged to the room that was left.
  useEffect(() => closeOver(), [path]);

  return (
    <>
      <a href="#room" className="sr-only focus:not-sr-only focus:absolute focus:p-3">
        To the room
      </a>
      <header className="bg-card">
        <div className="mx-auto flex max-w-[1400px] items-center gap-x-4 px-3 pt-2 sm:px-6">
          <span className="text-2xl font-semibold">Runk</span>
          <span className="truncate text-xl text-soft sm:hidden">{here?.room}</span>
          <Rule places={places} here={here} />
          <div className="ml-auto flex shrink-0 items-center gap-2">
            <Button onClick={ask} className="text-soft max-sm:hidden" aria-keyshortcuts="Control+K">
              Ask <kbd className="text-base max-lg:hidden">Ctrl K</kbd>
            </Button>
            <div role="group" aria-label="Unit of a bare number" className="flex">
              {(['mm', 'inch'] as const).map((unit) => (
                <Button
                  key={unit}
                  look={prefs.unit === unit ? 'main' : 'plain'}
                  aria-pressed={prefs.unit === unit}
                  onClick={() => chooseUnit(unit)}
                  className="first:rounded-r-none last:rounded-l-none">
                  {unit}
                </Button>
              ))}
            </div>
            <Button
              aria-label={isDark(prefs) ? 'Day light' : 'Night shed'}
              onClick={() => setPrefs({ theme: isDark(prefs) ? 'light' : 'dark' })}>
              {isDark(prefs) ? '☀' : '☾'}
            </Button>
            <Button aria-label="Keys and help" onClick={() => openOver('help')} className="max-sm:hidden">
              ?
            </Button>
          </div>
        </div>
        <div className="rule" aria-hidden />
      </header>
      {gone && (
        <p role="alert" className="bg-stop px-6 py-2 text-stop-ink">
          <strong className="font-semibold">Runk’s server does not answer.</strong> What you typed is kept; this page
          tries again by itself. If it was stopped, start it again with <code>make demo</code> or{' '}
          <code>runk serve</code>.
        </p>
      )}
      {notice && (
        <p role="alert" className="flex items-center justify-between bg-stop px-6 py-2 text-stop-ink">
          {notice}
          <Button onClick={() => tell('')}>Read</Button>
        </p>
      )}
      <main id="room" className="mx-auto max-w-[1400px] px-3 py-4 max-sm:pb-24 sm:px-6">
        <Suspense fallback={<Fetching />}>{locked ? <SignIn /> : children}</Suspense>
      </main>
      {!locked && <PhoneBar places={places} here={here} ask={ask} />}
      {over === 'ask' && !locked && <Ask close={closeOver} />}
      <Suspense>{over === 'help' && <Help close={closeOver} />}</Suspense>
      <Undo />
    </>
  );
}

/** While a room is on its way. */
export function Fetching() {
  return <p className="py-10 text-soft">Fetching the room …</p>;
}
