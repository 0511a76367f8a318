import { Fragment, useState } from 'react';
import type { Column } from '../api/queries';
import { type Step, StepList } from './Working';
import { inWords, parted, rowsOf } from './described';

/** A table longer than this comes without its working, which is fetched for a row. */
const LONG = 40;

interface Props {
  columns: Column[];
  answer: Record<string, unknown>;
}

/** Lines of an answer: a name, its figure. */
export function Rows({ columns, answer }: Props) {
  const said = columns.filter((column) => column.kind !== 'table' && parted(answer[column.name]));
  if (said.length === 0) return null;
  return (
    <dl className={`grid gap-x-10 ${said.length > 3 ? 'md:grid-cols-2' : 'max-w-xl'}`}>
      {said.map((column) => {
        const found = parted(answer[column.name])!;
        const long = column.kind === 'text' || column.kind === 'texts';
        return (
          <div key={column.name} className="flex justify-between gap-4 border-b border-line py-1.5">
            <dt className="text-soft">{column.label}</dt>
            <dd className={long ? 'text-right' : 'text-right whitespace-nowrap'}>
              <b className={long ? 'font-semibold' : 'figures'}>{found.shown}</b> {found.unit}
            </dd>
          </div>
        );
      })}
    </dl>
  );
}

/** The tables of an answer, each as a table; columns with nothing in them are left out. */
export function Tables({ columns, answer, worked }: Props & { worked?: WorkedRow }) {
  return columns
    .filter((column) => column.kind === 'table' && rowsOf(answer[column.name]).length > 0)
    .map((column) => (
      <AnswerTable key={column.name} column={column} rows={rowsOf(answer[column.name])} worked={worked} />
    ));
}

/** Fetches the working of a row of a long table, which comes without. */
export type WorkedRow = (table: string, row: number) => Promise<Step[]>;

function AnswerTable({
  column,
  rows,
  worked,
}: {
  column: Column;
  rows: Record<string, unknown>[];
  worked?: WorkedRow;
}) {
  const [opened, setOpened] = useState<{ row: number; steps: Step[] } | null>(null);
  const long = rows.length > LONG && worked !== undefined;
  const open = async (row: number) => {
    if (!worked || opened?.row === row) setOpened(null);
    else setOpened({ row, steps: await worked(column.name, row) });
  };
  const heads = column.columns.filter(
    (one) => one.kind !== 'table' && one.rank !== 'folded' && rows.some((row) => inWords(row[one.name])),
  );
  const right = (one: Column) => (one.kind === 'figure' || one.kind === 'count' ? 'text-right' : 'text-left');
  // Words that run on keep room for themselves: on a phone the table is pushed aside, not squeezed.
  const runsOn = (one: Column) => rows.some((row) => right(one) === 'text-left' && inWords(row[one.name]).length > 20);
  return (
    <div
      className={`more-aside overflow-x-auto ${long ? 'max-h-[32rem] overflow-y-auto' : ''}`}
      tabIndex={long || heads.length > 5 ? 0 : undefined}>
      <table className="w-full">
        <caption className="text-left text-xl font-semibold">{column.label}</caption>
        <thead>
          <tr className="text-soft">
            {heads.map((one) => (
              <th key={one.name} scope="col" className={`pr-3 font-normal max-sm:pr-2 ${right(one)}`}>
                {one.label}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, n) => (
            <Fragment key={n}>
              <tr className="border-b border-line">
                {heads.map((one, at) =>
                  at === 0 ? (
                    <th key={one.name} scope="row" className={`py-1.5 pr-3 font-semibold max-sm:pr-2 ${right(one)}`}>
                      {long ? (
                        <button
                          type="button"
                          aria-expanded={opened?.row === n}
                          onClick={() => void open(n)}
                          className="min-h-11 min-w-11 cursor-pointer text-left text-mark">
                          {inWords(row[one.name])}
                        </button>
                      ) : (
                        inWords(row[one.name])
                      )}
                    </th>
                  ) : (
                    <td
                      key={one.name}
                      className={`pr-3 max-sm:pr-2 ${right(one)} ${right(one) === 'text-right' ? 'figures whitespace-nowrap' : ''} ${runsOn(one) ? 'min-w-48' : ''}`}>
                      {inWords(row[one.name])}
                    </td>
                  ),
                )}
              </tr>
              {opened?.row === n && (
                <tr>
                  <td colSpan={heads.length}>
                    <StepList steps={opened.steps} />
                  </td>
                </tr>
              )}
            </Fragment>
          ))}
        </tbody>
      </table>
    </div>
  );
}
