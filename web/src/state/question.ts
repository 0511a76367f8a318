import type { Calculator } from '../api/queries';
import { createStore } from './store';
import { remember, remembered } from './prefs';

/** A question as typed, field by field: kept exactly, whatever the server makes of it. */
export type Typed = Record<string, string>;

const questions = createStore<Record<string, Typed>>({});
let known: Calculator[] = [];

/** The calculators there are: their opening questions, and the fields they share. */
export function learn(calculators: Calculator[]): Calculator[] {
  known = calculators;
  return calculators;
}

function questionOf(name: string): Typed {
  const typed = questions.get()[name];
  if (typed) return typed;
  const opening = known.find((calculator) => calculator.name === name)?.opening ?? {};
  return remembered<Typed>(`runk.question.${name}`, opening);
}

/** Words that mean one thing in several questions: named in one job, they are named in all. */
function spread(name: string, before: Typed, typed: Typed): Record<string, Typed> {
  const changed: Record<string, Typed> = {};
  for (const field of known.find((one) => one.name === name)?.fields ?? []) {
    const said = typed[field.name];
    if (!field.shared || !said || said === before[field.name]) continue;
    for (const other of known) {
      const same = other.fields.find((one) => one.shared === field.shared);
      if (!same || other.name === name) continue;
      changed[other.name] = { ...(changed[other.name] ?? questionOf(other.name)), [same.name]: said };
    }
  }
  return changed;
}

export function setQuestion(name: string, typed: Typed): void {
  const changed = { ...spread(name, questionOf(name), typed), [name]: typed };
  for (const [one, question] of Object.entries(changed)) remember(`runk.question.${one}`, question);
  questions.set({ ...questions.get(), ...changed });
}

export function useQuestion(name: string): [Typed, (change: Typed) => void] {
  const typed = questions.use()[name] ?? first(name);
  return [typed, (change) => setQuestion(name, { ...questionOf(name), ...change })];
}

const firsts = new Map<string, Typed>();

/** The same object each time, so that nothing is drawn or asked again for it. */
function first(name: string): Typed {
  const key = `${name} ${known.length}`;
  const typed = firsts.get(key) ?? questionOf(name);
  firsts.set(key, typed);
  return typed;
}

/** Before the page's unit changes: a bare 8 that meant 8 mm goes on meaning it. */
export function pinBareNumbers(unit: 'mm' | 'inch'): void {
  for (const { name, fields } of known) {
    const sizes = fields.filter((field) => field.in_page_unit && field.kind !== 'pressure');
    const typed = questionOf(name);
    const pinned = { ...typed };
    for (const { name: field, kind } of sizes) {
      if (typed[field]) pinned[field] = pin(typed[field], unit, kind);
    }
    setQuestion(name, pinned);
  }
}

function pin(value: string, unit: 'mm' | 'inch', kind: string): string {
  const said = unit === 'mm' ? 'mm' : 'in';
  if (kind === 'chain' || kind === 'point') return /\((mm|in)\)\s*$/.test(value) ? value : `${value.trim()} (${said})`;
  if (kind === 'limits') return /[a-z"]/i.test(value) ? value : `${value.trim()} ${said}`;
  // A reading may have the name of its place before it: top 22.01, 22.02; middle 22.00.
  const bare =
    kind === 'readings'
      ? /^\s*(?!(?:no|letter|number)\b)([a-z][a-z ]*[:=]?\s+)?\d[\d.]*(,\d+)?\s*$/i
      : /^\s*-?\d[\d.]*(,\d+)?\s*$/;
  // Parted as the core parts a list; three bare numbers between two commas are three.
  return value
    .split(/(\s*[;\n]\s*|,\s+|\s+and\s+)/)
    .flatMap((part) => (/,.*,/.test(part) ? part.split(/(,)/) : [part]))
    .map((part) => (bare.test(part) ? `${part.trim()} ${said}` : part))
    .join('');
}
