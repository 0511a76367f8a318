/** `bore 22: finish` as it is said: finish bore 22; a face is not faced twice in a sentence. */
export function spoken(line: string): string {
  const at = line.lastIndexOf(': ');
  if (at < 0 || line.startsWith('try ')) return line;
  const [feature, verb] = [line.slice(0, at), line.slice(at + 2)];
  return feature.startsWith(verb) ? feature : `${verb} ${feature}`;
}

export function hours(minutes: number): string {
  if (minutes < 60) return `${Math.round(minutes)} min`;
  return `${Math.floor(minutes / 60)} h ${String(Math.round(minutes % 60)).padStart(2, '0')}`;
}

/** The feature a line measures; empty where it measures none. */
export const measured = (line: string): string => (line.startsWith('measure ') ? line.slice('measure '.length) : '');
