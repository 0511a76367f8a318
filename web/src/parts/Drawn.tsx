import type { ReactNode } from 'react';

/** The frame round a drawing. */
export function Drawn({ title, children }: { title?: string; children: ReactNode }) {
  return (
    <div className="self-start rounded-lg border border-line bg-card p-4 max-sm:p-2">
      {title && <p className="text-xl font-semibold">{title}</p>}
      {children}
    </div>
  );
}
