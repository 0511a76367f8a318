import { Link } from 'wouter';
import { useState } from 'react';
import { call } from '../../api/client';
import { type MachineOut, client, useShop } from '../../api/queries';
import { Button } from '../../parts/Button';
import { RoomTabs } from '../../parts/RoomTabs';
import { type Typed, setQuestion } from '../../state/question';
import { offerUndo } from '../../state/undo';
import { Editor } from './Editor';
import { Tablet } from './Tablet';
import { EMPTY, draftOf, type Draft } from './draft';
import { Heading } from '../../parts/Heading';

interface Editing {
  draft: Draft;
  key: string | null;
  version: number;
}

const refresh = () => client.invalidateQueries();

/** The machines of this workshop. */
export default function WorkshopRoom() {
  const shop = useShop();
  const [editing, setEditing] = useState<Editing | null>(null);
  if (editing) {
    return (
      <Editor start={editing.draft} machineKey={editing.key} version={editing.version} close={() => setEditing(null)} />
    );
  }
  if (!shop.data) return <p className="py-10 text-soft">Fetching the machines …</p>;
  const { machines, stand_in } = shop.data;

  const remove = async (kept: MachineOut) => {
    await call('DELETE', `/machines/${kept.machine.key}`);
    await refresh();
    offerUndo({
      says: `${kept.machine.name} taken out`,
      undo: () => call('POST', `/machines/${kept.machine.key}/back`).then(refresh),
    });
  };
  const copy = (kept: MachineOut) => {
    const draft = draftOf(kept.machine);
    draft.plain.name = `${kept.machine.name} copy`;
    setEditing({ draft, key: null, version: 0 });
  };

  return (
    <>
      <RoomTabs room="Workshop" />
      <div className="my-4 flex flex-wrap items-center justify-between gap-3">
        <Heading className="text-3xl font-semibold">Workshop</Heading>
        <Link to="/trays" className="ml-auto inline-flex min-h-11 items-center text-mark">
          Trays: drills, reamers, cutters, measures
        </Link>
        <Button onClick={() => setEditing({ draft: EMPTY, key: null, version: 0 })}>The long form</Button>
        <Link
          to="/workshop/new"
          className="inline-flex min-h-11 items-center rounded-md bg-mark px-4 text-lg font-semibold text-on-mark no-underline">
          Add a machine in one line
        </Link>
      </div>
      {stand_in && (
        <p className="mb-4 border-l-6 border-mark bg-mark-wash px-3 py-2">
          No machine of yours is kept yet. These belong to Back Shed, an invented workshop, and stand in until you add
          your own; copy one to start from it.
        </p>
      )}
      <div className="grid grid-cols-1 gap-5 lg:grid-cols-2">
        {machines.map((kept) => (
          <MachineCard
            key={kept.machine.key}
            kept={kept}
            standIn={stand_in}
            edit={() => setEditing({ draft: draftOf(kept.machine), key: kept.machine.key, version: kept.version })}
            copy={() => copy(kept)}
            remove={() => void remove(kept)}
          />
        ))}
      </div>
      <Tablet />
    </>
  );
}

interface CardProps {
  kept: MachineOut;
  standIn: boolean;
  edit: () => void;
  copy: () => void;
  remove: () => void;
}

/** The sheet a machine is most likely wanted for. */
function sheetOf({ name, kind }: MachineOut['machine']): Typed {
  return { machine: name, operation: kind === 'lathe' ? 'turn' : 'drill' };
}

function MachineCard({ kept, standIn, edit, copy, remove }: CardProps) {
  const { machine } = kept;
  const gears = [...new Set(kept.real.map((s) => s.gear))];
  return (
    <article className="rounded-lg border border-line bg-card p-4">
      <div className="flex flex-wrap items-start justify-between gap-x-2">
        <div className="min-w-0 [overflow-wrap:anywhere]">
          <h2 className="text-2xl font-semibold">{machine.name}</h2>
          <p className="text-soft">
            {machine.kind}, {machine.power_w} W, {machine.drive}
            {machine.swing_mm ? `, swings ${machine.swing_mm} mm` : ''}
            {machine.read_out ? ', read-out' : ''}
          </p>
        </div>
        <div className="-ml-3 flex flex-wrap">
          <Link
            to="/sheet"
            aria-label={`Wall sheet of ${machine.name}`}
            onClick={() => setQuestion('sheet', sheetOf(machine))}
            className="inline-flex min-h-11 items-center rounded-md px-3 text-lg text-ink no-underline hover:bg-mark-wash">
            Wall sheet
          </Link>
          {!standIn && (
            <Button look="quiet" aria-label={`Change ${machine.name}`} onClick={edit}>
              Change
            </Button>
          )}
          <Button look="quiet" aria-label={`Copy ${machine.name}`} onClick={copy}>
            Copy
          </Button>
          {!standIn && (
            <Button look="quiet" aria-label={`Take out ${machine.name}`} onClick={remove}>
              ✕
            </Button>
          )}
        </div>
      </div>
      {gears.map((gear) => (
        <div key={gear} className="mt-3">
          <h3 className="text-soft">{gear || 'Speeds'}, rev/min</h3>
          <ol className="mt-1 flex flex-wrap gap-2">
            {kept.real
              .filter((s) => s.gear === gear)
              .map((s) => (
                <li key={s.position} className="rounded border border-line px-3 py-1 text-center">
                  <span className="block text-soft">{s.position}</span>
                  <span className="figures text-xl font-bold">{s.rpm.toFixed(0)}</span>
                </li>
              ))}
          </ol>
        </div>
      ))}
      {kept.real_ranges.map((range) => (
        <p key={range.gear} className="mt-3">
          {range.gear || 'Any speed'}{' '}
          <span className="figures text-xl font-bold">
            {range.low_rpm.toFixed(0)} to {range.high_rpm.toFixed(0)}
          </span>{' '}
          rev/min
        </p>
      ))}
      {machine.limits.length > 0 && (
        <p className="mt-3">
          <span className="text-soft">Never faster than: </span>
          {machine.limits.map((l) => `${l.holding} ${l.max_rpm}`).join(', ')}
        </p>
      )}
      {machine.dials.length > 0 && (
        <ul className="mt-3">
          {machine.dials.map((dial) => (
            <li key={dial.slide}>
              <span className="text-soft">{dial.slide}:</span> {dial.division} {dial.unit === 'inch' ? 'in' : 'mm'} a
              division, {dial.per_turn} a turn
              {(dial.slide === 'cross-slide' || dial.reads === 'diameter') && `, reads ${dial.reads}`}
            </li>
          ))}
        </ul>
      )}
      {machine.leadscrew_mm !== null && (
        <p className="mt-3">
          <span className="text-soft">leadscrew:</span> {machine.leadscrew_mm} mm
          {machine.wheels && (
            <>
              <span className="text-soft">, change wheels:</span> {machine.wheels}
            </>
          )}
        </p>
      )}
      {kept.doubts.map((doubt) => (
        <p key={doubt} className="mt-2 border-l-6 border-straw-edge bg-straw px-3 py-1 text-straw-ink">
          {doubt}
        </p>
      ))}
    </article>
  );
}
