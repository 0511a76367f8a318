import type { Typed } from '../state/question';

/** Where a question's file lies: the question stands in its address. */
export function fileAddress(path: string, typed: Typed, unit: string, more: Record<string, string> = {}): string {
  const given = Object.entries({ ...typed, ...more }).filter(([, value]) => value.trim() !== '');
  return `/api${path}?${new URLSearchParams([...given, ['unit', unit]])}`;
}

/** A file to keep. */
export function Download({ href, children }: { href: string; children: string }) {
  return (
    <a
      href={href}
      download
      className="inline-flex min-h-11 items-center rounded-md border border-line bg-card px-3 py-1.5 text-lg text-ink no-underline hover:border-ink">
      {children}
    </a>
  );
}
