import type { ComponentProps } from 'react';

const LOOKS = {
  main: 'bg-mark text-on-mark border-mark font-semibold',
  plain: 'bg-card text-ink border-line hover:border-ink',
  quiet: 'border-transparent text-ink hover:bg-mark-wash',
};

/** A button big enough for a dirty finger. */
export function Button({
  look = 'plain',
  className = '',
  ...rest
}: ComponentProps<'button'> & { look?: keyof typeof LOOKS }) {
  return (
    <button
      type="button"
      className={`inline-flex min-h-11 min-w-11 cursor-pointer items-center justify-center gap-2 rounded-md border px-3 py-1.5 text-lg disabled:cursor-default disabled:opacity-50 ${LOOKS[look]} ${className}`}
      {...rest}
    />
  );
}
