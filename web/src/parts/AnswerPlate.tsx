import type { Column } from '../api/queries';
import { inWords, parted } from './described';

interface Props {
  columns: Column[];
  answer: Record<string, unknown>;
}

/** The dark plate, drawn from the description: what to set, the first of it the largest of all. */
export function AnswerPlate({ columns, answer }: Props) {
  const big = columns.filter((column) => column.rank === 'big' && parted(answer[column.name]));
  const says = columns.filter((column) => column.rank === 'says' && inWords(answer[column.name]));
  if (big.length + says.length === 0) return null;
  return (
    <Plate>
      <dl className="flex flex-wrap items-end gap-x-8 gap-y-3">
        {big.map((column, n) => (
          <Big
            key={column.name}
            first={n === 0}
            name={column.label}
            value={answer[column.name]}
            under={under(columns, answer, column)}
          />
        ))}
      </dl>
      {says.length > 0 && (
        <dl className="mt-4 space-y-1.5 border-t border-plate-line pt-3">
          {says.map((column) => (
            <div key={column.name} className="flex flex-wrap gap-x-3">
              <dt className="text-plate-soft">{column.label}</dt>
              <dd className="max-w-3xl text-xl">{inWords(answer[column.name])}</dd>
            </div>
          ))}
        </dl>
      )}
    </Plate>
  );
}

function under(columns: Column[], answer: Record<string, unknown>, column: Column): string {
  const below = columns.find((one) => one.name === column.under);
  if (!below) return '';
  return below.kind === 'text'
    ? inWords(answer[below.name])
    : `${below.label.toLowerCase()} ${inWords(answer[below.name])}`;
}

export function Plate({ children }: { children: React.ReactNode }) {
  return (
    <div className="rounded-lg bg-plate p-1.5 text-plate-ink ring-1 ring-plate-line" aria-live="polite">
      <div className="rounded-md border border-plate-line p-4 sm:p-5">{children}</div>
    </div>
  );
}

interface BigProps {
  name: string;
  value: unknown;
  under?: string;
  first?: boolean;
}

/** A number on the plate with its name over it. */
export function Big({ name, value, under = '', first = false }: BigProps) {
  const found = parted(value);
  if (!found) return null;
  return (
    <div className={first ? 'min-w-0' : ''}>
      <dt className="text-plate-soft">{name}</dt>
      <dd>
        <span
          className={`figures leading-none font-bold wrap-anywhere ${first ? firstSize(found.shown) : 'text-4xl max-sm:text-3xl'}`}>
          {found.shown}
        </span>{' '}
        <span className="text-xl text-plate-soft">{found.unit}</span>
        <span className="block text-xl text-plate-soft">{under || '\u00a0'}</span>
      </dd>
    </div>
  );
}

/** As large as the words leave room for. */
export function firstSize(shown: string): string {
  if (shown.length <= 7) return 'text-[7rem] max-sm:text-7xl';
  if (shown.length <= 14) return 'text-7xl max-sm:text-5xl';
  return 'text-5xl max-sm:text-3xl';
}
