import { useSyncExternalStore } from 'react';
import { remember, remembered } from './prefs';

/** A question as typed, field by field: kept exactly, whatever the server makes of it. */
export type Typed = Record<string, string>;

const FIRST: Record<string, Typed> = {
  speed: {
    operation: 'bore',
    diameter: '5/8"',
    metal: 'grey-iron',
    held: 'four-jaw',
    tool: 'carbide',
    bar: '8',
    overhang: '45',
    length: '40',
  },
  identify: { size: '20 mm', length: '50 mm', weight: '123', magnet: 'yes' },
  faults: {
    sign: 'whine',
    operation: 'bore',
    diameter: '22 mm',
    metal: 'grey-iron',
    tool: 'carbide',
    rpm: '1480',
  },
  plan: { job: 'outside', metal: 'silver-steel', now: '8', wanted: '7', smallest: '6.98', largest: '7', overhang: '30', held: 'three-jaw' },
  hole: { size: '6', metal: 'gunmetal', finish: 'machine-reamed', ends: 'blind', deep: '18', thick: '25' },
  'nearest-drill': { size: '4.37 mm' },
  depth: { way: 'touch', deep: '12', feeler: '0.05', drill: '3' },
  'angled-hole': { drill: '3', angle: '30', across: '12', room: '20' },
  tap: { thread: '4 BA', metal: 'stainless-303', ends: 'blind', deep: '7' },
  die: { thread: '4 BA', metal: 'stainless-303', long: '20' },
  stud: { thread: '4 BA', metal: 'gunmetal', stud_metal: 'stainless-303', cover: '4', gasket: '0.4', count: '6' },
  cover: { thread: '4 BA', pressure: '80 psi', seal: '11/16"', rim: '1 1/4"' },
  clearance: { thread: '4 BA' },
  tighten: { thread: '4 BA', metal: 'stainless-303' },
  'which-thread': { size: '4.65', pitch: '0.81' },
  thread: { thread: '4 BA' },
  pair: { metal: 'brass', other: 'stainless-303' },
};

/** Which room answers for a calculator. */
export const ROOM_OF: Record<
  string,
  | '/speeds'
  | '/metals'
  | '/faults'
  | '/sheet'
  | '/to-size'
  | '/holes'
  | '/holes/nearest'
  | '/holes/depth'
  | '/holes/angled'
  | '/threads'
  | '/threads/die'
  | '/threads/stud'
  | '/threads/cover'
  | '/threads/clearance'
  | '/threads/tighten'
  | '/threads/which'
  | '/threads/sizes'
> = {
  speed: '/speeds',
  identify: '/metals',
  pair: '/metals',
  faults: '/faults',
  sheet: '/sheet',
  plan: '/to-size',
  hole: '/holes',
  'nearest-drill': '/holes/nearest',
  depth: '/holes/depth',
  'angled-hole': '/holes/angled',
  tap: '/threads',
  die: '/threads/die',
  stud: '/threads/stud',
  cover: '/threads/cover',
  clearance: '/threads/clearance',
  tighten: '/threads/tighten',
  'which-thread': '/threads/which',
  thread: '/threads/sizes',
};

const questions = new Map<string, Typed>();
const watchers = new Set<() => void>();

function questionOf(calculator: string): Typed {
  let typed = questions.get(calculator);
  if (!typed) {
    typed = remembered<Typed>(`runk.question.${calculator}`, FIRST[calculator] ?? {});
    questions.set(calculator, typed);
  }
  return typed;
}

/** Words that mean one thing in several questions: named in one job, they are named in all. */
const SHARED: readonly (readonly [calculator: string, field: string])[][] = [
  ['tap', 'die', 'stud', 'cover', 'clearance', 'tighten', 'thread'].map((name) => [name, 'thread'] as const),
  [['tap', 'metal'], ['stud', 'metal']],
  [['die', 'metal'], ['stud', 'stud_metal'], ['tighten', 'metal']],
];

function keep(calculator: string, typed: Typed): void {
  questions.set(calculator, typed);
  remember(`runk.question.${calculator}`, typed);
}

export function setQuestion(calculator: string, typed: Typed): void {
  const before = questionOf(calculator);
  keep(calculator, typed);
  for (const group of SHARED) {
    const field = group.find(([name]) => name === calculator)?.[1];
    const said = field && typed[field];
    if (!said || said === before[field]) continue;
    for (const [name, other] of group) {
      if (name !== calculator) keep(name, { ...questionOf(name), [other]: said });
    }
  }
  watchers.forEach((watcher) => watcher());
}

export function useQuestion(calculator: string): [Typed, (change: Typed) => void] {
  const typed = useSyncExternalStore(
    (watcher) => {
      watchers.add(watcher);
      return () => watchers.delete(watcher);
    },
    () => questionOf(calculator),
  );
  return [typed, (change) => setQuestion(calculator, { ...questionOf(calculator), ...change })];
}

/** Before the page's unit changes: a bare 8 that meant 8 mm goes on meaning it. */
export function pinBareNumbers(calculator: string, lengths: string[], unit: 'mm' | 'inch'): void {
  const typed = questionOf(calculator);
  const pinned = Object.entries(typed).map(([name, value]) => {
    if (!lengths.includes(name)) return [name, value];
    const parts = value.split(/(\s*;\s*|,\s+)/).map((part) => {
      const bare = /^\s*\d[\d.,]*\s*$/.test(part);
      return bare ? `${part.trim()} ${unit === 'mm' ? 'mm' : 'in'}` : part;
    });
    return [name, parts.join('')];
  });
  setQuestion(calculator, Object.fromEntries(pinned) as Typed);
}
