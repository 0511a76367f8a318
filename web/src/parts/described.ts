import type { AnyReply, Calculator, Column, Figure } from '../api/queries';

/** A value of an answer. What it is, its column says. */
type Value = unknown;

/** How the answer of this reply is described: by its tag, where a calculator has several. */
export function columnsOf(calculator: Calculator, reply: AnyReply): Column[] {
  const tag = typeof reply.answer.tag === 'string' ? reply.answer.tag : '';
  return calculator.answers[tag] ?? [];
}

export const isFigure = (value: Value): value is Figure =>
  typeof value === 'object' && value !== null && 'working' in value;

export const rowsOf = (value: Value): Record<string, Value>[] =>
  Array.isArray(value) ? (value as Record<string, Value>[]) : [];

/** A value apart: the number, and its unit behind it. */
export function parted(value: Value): { shown: string; unit: string } | null {
  if (value === null || value === undefined || value === '') return null;
  if (isFigure(value)) return { shown: value.shown, unit: value.unit };
  if (typeof value === 'boolean') return { shown: value ? 'yes' : 'no', unit: '' };
  // Rows of a table are shown as one, never in words.
  if (Array.isArray(value) && typeof value[0] === 'object') return null;
  if (Array.isArray(value)) return value.length ? { shown: value.join(', '), unit: '' } : null;
  return { shown: typeof value === 'string' ? value : JSON.stringify(value), unit: '' };
}

/** A value in words; empty where there is nothing to say. */
export function inWords(value: Value): string {
  const found = parted(value);
  return found ? [found.shown, found.unit].filter(Boolean).join(' ') : '';
}

/** Every figure an answer shows, in its tables and beneath as well: each opens its working. */
export function figuresOf(columns: Column[], answer: Record<string, Value>): Figure[] {
  return columns.flatMap((column) => {
    const value = answer[column.name];
    if (isFigure(value)) return [value];
    if (column.kind === 'table') return rowsOf(value).flatMap((row) => figuresOf(column.columns, row));
    if (column.kind === 'answer' && value) return figuresOf(columns, value as Record<string, Value>);
    return [];
  });
}
