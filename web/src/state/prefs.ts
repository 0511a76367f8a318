import { useSyncExternalStore } from 'react';

/** What this browser remembers: nothing here is the shop's, all of it the reader's. */
export interface Prefs {
  unit: 'mm' | 'inch';
  theme: 'auto' | 'light' | 'dark';
  keys: boolean;
  working: boolean;
}

const KEY = 'runk.prefs';
const FIRST: Prefs = { unit: 'mm', theme: 'auto', keys: true, working: true };
const watchers = new Set<() => void>();

export function remembered<T>(key: string, first: T): T {
  try {
    const text = localStorage.getItem(key);
    return text === null ? first : (JSON.parse(text) as T);
  } catch {
    return first;
  }
}

export function remember(key: string, value: unknown): void {
  try {
    localStorage.setItem(key, JSON.stringify(value));
  } catch {
    // A full or forbidden storage only means nothing is remembered.
  }
}

let now: Prefs = { ...FIRST, ...remembered(KEY, {}) };

export function setPrefs(change: Partial<Prefs>): void {
  now = { ...now, ...change };
  remember(KEY, now);
  showTheme();
  watchers.forEach((watcher) => watcher());
}

export function usePrefs(): Prefs {
  return useSyncExternalStore(
    (watcher) => {
      watchers.add(watcher);
      return () => watchers.delete(watcher);
    },
    () => now,
  );
}

const night = window.matchMedia('(prefers-color-scheme: dark)');

export function isDark(prefs: Prefs): boolean {
  return prefs.theme === 'dark' || (prefs.theme === 'auto' && night.matches);
}

export function showTheme(): void {
  document.documentElement.dataset.theme = isDark(now) ? 'dark' : 'light';
}

night.addEventListener('change', showTheme);
