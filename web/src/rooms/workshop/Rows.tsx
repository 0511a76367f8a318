import { BOX, Box } from '../../parts/Box';
import { Button } from '../../parts/Button';
import type { Row } from './draft';

interface Column {
  name: string;
  label: string;
  among?: string[];
}

interface Props {
  title: string;
  name: string;
  rows: Row[];
  fresh: Row;
  columns: Column[];
  wrong: string | null;
  set: (rows: Row[]) => void;
}

/** A list of rows one can add to and take from. */
export function Rows({ title, name, rows, fresh, columns, wrong, set }: Props) {
  const change = (index: number, column: string, value: string) =>
    set(rows.map((row, i) => (i === index ? { ...row, [column]: value } : row)));
  return (
    <fieldset>
      <legend className="text-xl font-semibold">{title}</legend>
      {rows.length > 0 && (
        <div
          className="mt-1 hidden gap-2 text-soft sm:grid"
          style={{ gridTemplateColumns: `repeat(${columns.length}, minmax(0, 1fr)) 2.75rem` }}>
          {columns.map((column) => (
            <span key={column.name}>{column.label}</span>
          ))}
        </div>
      )}
      {rows.map((row, index) => (
        <div
          // Rows have no name of their own until they are saved.
          key={index}
          className="mt-1 grid gap-2 max-sm:grid-cols-2! max-sm:border-b max-sm:border-line max-sm:pb-2"
          style={{ gridTemplateColumns: `repeat(${columns.length}, minmax(0, 1fr)) 2.75rem` }}>
          {columns.map((column) => {
            const label = `${column.label}, row ${index + 1}`;
            const value = row[column.name] ?? '';
            if (column.among) {
              return (
                <select
                  key={column.name}
                  aria-label={label}
                  value={value}
                  onChange={(event) => change(index, column.name, event.target.value)}
                  className={`${BOX} border-line`}>
                  {column.among.map((option) => (
                    <option key={option}>{option}</option>
                  ))}
                </select>
              );
            }
            const exact = wrong === `${name}.${index}.${column.name}`;
            return (
              <Box
                key={column.name}
                label={label}
                hideLabel
                value={value}
                wrong={exact || wrong === `${name}.${index}`}
                onChange={(next) => change(index, column.name, next)}
              />
            );
          })}
          <Button
            look="quiet"
            aria-label={`Take out row ${index + 1} of ${title}`}
            onClick={() => set(rows.filter((_, i) => i !== index))}>
            ✕
          </Button>
        </div>
      ))}
      <Button className="mt-2" onClick={() => set([...rows, { ...(rows.at(-1) ?? fresh), ...cleared(fresh) }])}>
        Add a row
      </Button>
    </fieldset>
  );
}

/** A new row keeps the last one's words (gear, unit) and starts with its numbers blank. */
function cleared(fresh: Row): Row {
  return Object.fromEntries(Object.entries(fresh).filter(([, value]) => value === ''));
}
