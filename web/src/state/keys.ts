import { useLayoutEffect } from 'react';
import { usePrefs } from './prefs';

function typing(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName))
  );
}

/** Single-key shortcuts, silent while typing and when switched off (WCAG 2.1.4). */
export function useKey(key: string, act: () => void): void {
  const { keys } = usePrefs();
  // With the screen, not after it: whoever sees the button may press its key.
  useLayoutEffect(() => {
    if (!keys) return;
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return;
      if (document.querySelector('[role="dialog"], [role="listbox"]')) return;
      if (event.key.toLowerCase() === key) {
        event.preventDefault();
        act();
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [key, act, keys]);
}
