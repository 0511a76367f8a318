import { createStore } from './store';

/** What this browser remembers: nothing here is the shop's, all of it the reader's. */
export interface Prefs {
  unit: 'mm' | 'inch';
  theme: 'auto' | 'light' | 'dark';
  keys: boolean;
  working: boolean;
}

const KEY = 'runk.prefs';
const FIRST: Prefs = { unit: 'mm', theme: 'auto', keys: true, working: true };
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

const prefs = createStore<Prefs>({ ...FIRST, ...remembered(KEY, {}) });

export function setPrefs(change: Partial<Prefs>): void {
  prefs.set({ ...prefs.get(), ...change });
  remember(KEY, prefs.get());
  showTheme();
}

export const usePrefs = prefs.use;

const night = window.matchMedia('(prefers-color-scheme: dark)');

export function isDark(prefs: Prefs): boolean {
  return prefs.theme === 'dark' || (prefs.theme === 'auto' && night.matches);
}

export function showTheme(): void {
  document.documentElement.dataset.theme = isDark(prefs.get()) ? 'dark' : 'light';
}

night.addEventListener('change', showTheme);
