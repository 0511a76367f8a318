import { useLayoutEffect } from 'react';
import { nowOver } from './dialog';
import { usePrefs } from './prefs';

/** Whether a letter belongs to the field that has the cursor, and not to a button. */
function typing(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  // An empty field for a reading takes no letters: those are its buttons' keys.
  if (target.dataset.takes === 'figures' && (target as HTMLInputElement).value === '') return false;
  return target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName);
}

/** Single-key shortcuts, silent while typing and when switched off (WCAG 2.1.4). */
export function useKey(key: string, act: () => void, over: 'page' | 'bench' = 'page'): void {
  const { keys } = usePrefs();
  // With the screen, not after it: whoever sees the button may press its key.
  useLayoutEffect(() => {
    if (!keys) return;
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return;
      if (over === 'page' && (nowOver() || document.querySelector('[role="dialog"], [role="listbox"]'))) return;
      if (event.key.toLowerCase() === key) {
        event.preventDefault();
        act();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [key, act, keys, over]);
}
