/** A length that no figure of the answer carries, as the page writes it: a point of a sweep. */
export function length(mm: number, unit: 'mm' | 'inch', places = 2): string {
  return unit === 'inch' ? `${(mm / 25.4).toFixed(places + 1)} in` : `${mm.toFixed(places)} mm`;
}
