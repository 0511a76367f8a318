import { Link, useLocation } from 'wouter';
import { startTransition, useOptimistic, useState } from 'react';
import { PAGE, type SlateItem, refusalOf, slateShown, useCalculators, useEngines, useSlate } from '../api/queries';
import { setPrefs } from '../state/prefs';
import { setQuestion, type Typed } from '../state/question';
import { pathOf } from '../house';
import { offerUndo } from '../state/undo';
import { Button } from './Button';
import { changeItem, moveItem, removeItem, restoreItem } from '../api/slate';

const SHORT = 6;

/** Answers kept. `short` beside an answer; whole in its own room, with notes, order and parts. */
export function SlateList({ short = false }: { short?: boolean }) {
  const slate = useSlate();
  const items = slate.data ?? [];
  if (slate.isPending) return <p className="py-3 text-soft">Fetching the slate …</p>;
  if (items.length === 0) {
    return (
      <p className="py-3 text-soft">Nothing kept yet. Keep an answer and it waits here for the evening at the lathe.</p>
    );
  }
  const shown = short ? items.slice(0, SHORT) : items;
  const more = () => {
    slateShown.set(items.length + PAGE);
    void slate.refetch();
  };
  const move = (index: number, by: 1 | -1) => {
    void moveItem(items, index, by);
  };
  return (
    <>
      <ul>
        {shown.map((item, index) => (
          <Item
            key={item.id}
            item={item}
            short={short}
            up={index > 0 ? () => move(index, -1) : undefined}
            down={index < items.length - 1 ? () => move(index, 1) : undefined}
          />
        ))}
      </ul>
      {short && items.length > SHORT && (
        <p className="py-2">
          <Link to="/slate" className="underline">
            {items.length < PAGE ? `All ${items.length} on the slate` : 'All of the slate'}
          </Link>
        </p>
      )}
      {!short && items.length >= slateShown.get() && (
        <p className="py-3">
          <Button onClick={more}>Show more</Button>
        </p>
      )}
    </>
  );
}

interface ItemProps {
  item: SlateItem;
  short: boolean;
  up?: () => void;
  down?: () => void;
}

function Item({ item, short, up, down }: ItemProps) {
  const [, go] = useLocation();
  const calculators = useCalculators();
  const [ticked, showTicked] = useOptimistic(item.ticked);
  const reopen = () => {
    setPrefs({ unit: item.page_unit === 'inch' ? 'inch' : 'mm' });
    setQuestion(item.calculator, asText(item.question));
    go(pathOf(calculators.data ?? [], item.calculator));
  };
  const remove = async () => {
    await removeItem(item.id);
    offerUndo({ says: `Wiped: ${item.headline}`, undo: () => restoreItem(item.id) });
  };
  return (
    <li className="border-b border-line py-1.5">
      <div className="flex items-center gap-1">
        <label className="flex size-11 shrink-0 cursor-pointer items-center justify-center">
          <span className="sr-only">Done: {item.title}</span>
          <input
            type="checkbox"
            className="size-6 accent-(--mark)"
            checked={ticked}
            onChange={(event) => {
              const now = event.target.checked;
              startTransition(async () => {
                showTicked(now);
                await changeItem(item.id, { ticked: now }).catch(() => undefined);
              });
            }}
          />
        </label>
        <button
          type="button"
          onClick={reopen}
          className={`min-h-11 min-w-0 flex-1 cursor-pointer text-left hover:underline ${ticked ? 'text-soft' : ''}`}>
          <span className={short ? 'line-clamp-2' : 'block text-xl'}>
            {short ? item.title.split(',')[0] : item.title}
          </span>
          <span className="figures block text-base font-bold text-ink sm:hidden">{item.headline}</span>
        </button>
        <span className={`figures shrink-0 text-right text-base font-bold max-sm:hidden ${short ? 'max-w-40' : ''}`}>
          {item.headline}
        </span>
        {!short && (
          <span className="flex shrink-0">
            <Button look="quiet" aria-label={`Move up: ${item.title}`} onClick={up} disabled={!up}>
              ↑
            </Button>
            <Button look="quiet" aria-label={`Move down: ${item.title}`} onClick={down} disabled={!down}>
              ↓
            </Button>
          </span>
        )}
        <Button look="quiet" aria-label={`Wipe off: ${item.title}`} onClick={() => void remove()}>
          ✕
        </Button>
      </div>
      {short ? item.note && <p className="pl-12 text-soft wrap-anywhere">{item.note}</p> : <Hung item={item} />}
    </li>
  );
}

/** The note of an item and the part it hangs on. */
function Hung({ item }: { item: SlateItem }) {
  const engines = useEngines();
  const [note, setNote] = useState(item.note);
  const [said, setSaid] = useState('');
  const save = async () => {
    if (note === item.note) return;
    try {
      await changeItem(item.id, { note });
      setSaid('');
    } catch (error) {
      setSaid(refusalOf(error)?.detail ?? 'Not saved: the server does not answer. It is still here.');
    }
  };
  return (
    <div className="flex flex-wrap gap-3 pb-2 sm:pl-12">
      <label className="min-w-56 flex-1">
        <span className="sr-only">Note</span>
        <input
          value={note}
          onChange={(event) => setNote(event.target.value)}
          onBlur={() => void save()}
          onKeyDown={(event) => event.key === 'Enter' && void save()}
          placeholder="Note"
          className="min-h-11 w-full rounded border border-line bg-card px-2"
        />
        {said && (
          <span role="alert" className="text-stop-edge">
            {said}
          </span>
        )}
      </label>
      <label className="flex max-w-full items-center gap-2">
        <span className="shrink-0 text-soft">hangs on</span>
        <select
          value={item.part_id ?? ''}
          onChange={(event) =>
            void changeItem(item.id, { part_id: event.target.value === '' ? null : Number(event.target.value) })
          }
          className="min-h-11 min-w-0 max-w-full rounded sm:max-w-72 border border-line bg-card px-2">
          <option value="">no part</option>
          {(engines.data ?? []).map((engine) => (
            <optgroup key={engine.id} label={engine.name}>
              {engine.parts.map((part) => (
                <option key={part.id} value={part.id}>
                  {part.name}
                </option>
              ))}
            </optgroup>
          ))}
        </select>
      </label>
    </div>
  );
}

function asText(question: Record<string, unknown>): Typed {
  return Object.fromEntries(Object.entries(question).map(([key, value]) => [key, String(value)]));
}
