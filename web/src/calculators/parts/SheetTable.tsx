import type { Schemas } from '../../api/client';

type Answer = Schemas['SheetAnswerWire'];
type Cell = Answer['rows'][number]['cells'][number];

interface Props {
  answer: Answer;
  /** Goes to the cut behind a cell, with its working. */
  open: (metal: string, mm: number) => void;
}

/** The sheet itself: a cell is the position to set, and opens that very cut. */
export function SheetTable({ answer, open }: Props) {
  return (
    <>
      <div
        className="overflow-x-auto rounded-lg border border-line bg-card"
        tabIndex={0}
        role="region"
        aria-label="The sheet">
        <table className="w-full">
          <caption className="px-3 py-2 text-left text-2xl font-semibold">{answer.title}</caption>
          <thead>
            <tr className="border-b-2 border-strong">
              <th scope="col" className="sticky left-0 bg-card px-3 py-1 text-left font-medium text-soft">
                {answer.columns.some((c) => c.label.includes('"')) ? 'across' : 'mm across'}
              </th>
              {answer.columns.map((column) => (
                <th key={column.mm} scope="col" className="figures px-1 py-1 text-center text-base font-bold">
                  {column.label}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {answer.rows.map((row) => (
              <tr key={row.metal} className="border-b border-line last:border-0">
                <th scope="row" className="sticky left-0 bg-card px-3 py-0 text-left font-semibold max-sm:max-w-32">
                  {row.name}
                </th>
                {row.cells.map((cell, index) => {
                  const column = answer.columns[index]!;
                  return (
                    <td key={column.mm} className="p-0 text-center">
                      {cell.state === 'no' ? (
                        <span aria-label="does not fit">–</span>
                      ) : (
                        <button
                          type="button"
                          aria-label={`${row.name}, ${column.label}: ${shown(cell)}, ${spoken(cell, answer)}`}
                          onClick={() => open(row.metal, column.mm)}
                          className="figures min-h-11 w-full min-w-11 cursor-pointer text-2xl font-bold hover:bg-mark-wash">
                          <span className={cell.state === 'slow' ? 'border-b-2 border-ink' : ''}>{shown(cell)}</span>
                        </button>
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {answer.marks.length > 0 && (
        <ul className="flex flex-wrap gap-x-6 gap-y-1" aria-label="What the marks mean">
          {answer.marks.map((mark) => (
            <li key={mark.mark}>
              <span className="figures font-bold">{mark.mark}</span> {mark.position},{' '}
              <span className="figures">{mark.rpm.toFixed(0)}</span> rev/min
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

const shown = (cell: Cell) => (cell.state === 'fast' ? `(${cell.mark})` : cell.mark);

function spoken(cell: Cell, answer: Answer): string {
  const position = answer.marks.find((m) => m.mark === cell.mark)?.position ?? `${cell.mark} rev/min`;
  return cell.state === 'fast' ? `${position}, and even that is too fast` : position;
}
