import { type SubmitEvent, useState } from 'react';
import { type MachineOut, client } from '../../api/queries';
import { Both } from '../../parts/Both';
import { Box } from '../../parts/Box';
import { Button } from '../../parts/Button';
import { NotSaved } from '../../parts/NotSaved';
import { useSaving } from '../../parts/useSaving';
import { Rows } from './Rows';
import { type Draft, HOLDINGS, NEW_ROW, SLIDES, bodyOf, draftOf, plainOf } from './draft';
import { Heading } from '../../parts/Heading';

interface Props {
  start: Draft;
  machineKey: string | null;
  version: number;
  close: () => void;
}

/** Adding or changing a machine. Nothing typed is lost by a refusal or a server that is gone. */
export function Editor({ start, machineKey, version, close }: Props) {
  const [draft, setDraft] = useState(start);
  const { save: send, problem, gone } = useSaving('/machines', machineKey, close);
  const field = problem?.field?.replace(/^machine\./, '') ?? null;
  const save = (atVersion: number) => send({ machine: bodyOf(draft, machineKey ?? ''), version: atVersion });
  const theirs = problem?.status === 409 ? (problem.theirs as MachineOut) : null;
  const plain = (name: string, value: string) => setDraft({ ...draft, plain: { ...draft.plain, [name]: value } });

  return (
    <form
      className="space-y-5"
      onSubmit={(event: SubmitEvent) => {
        event.preventDefault();
        void save(version);
      }}>
      <Heading className="text-3xl font-semibold">
        {machineKey === null ? 'A new machine' : `Change ${start.plain.name}`}
      </Heading>
      <div className="grid gap-3 sm:grid-cols-3">
        <label>
          <span className="text-soft">Kind</span>
          <select
            className="block min-h-11 w-full rounded border border-line bg-card px-2"
            value={draft.plain.kind}
            onChange={(event) => plain('kind', event.target.value)}>
            {['lathe', 'mill', 'drill press'].map((kind) => (
              <option key={kind}>{kind}</option>
            ))}
          </select>
        </label>
        <label>
          <span className="text-soft">Drive</span>
          <select
            className="block min-h-11 w-full rounded border border-line bg-card px-2"
            value={draft.plain.drive}
            onChange={(event) => plain('drive', event.target.value)}>
            {['straight off the mains', 'variable-speed drive'].map((drive) => (
              <option key={drive}>{drive}</option>
            ))}
          </select>
        </label>
        {plainOf(draft.plain).map(({ name, label }) => (
          <Box
            key={name}
            label={label}
            value={draft.plain[name] ?? ''}
            wrong={field === name}
            onChange={(value) => plain(name, value)}
          />
        ))}
        <label className="flex min-h-11 items-center gap-3 self-end">
          <input
            type="checkbox"
            className="size-6 accent-(--mark)"
            checked={draft.read_out}
            onChange={(event) => setDraft({ ...draft, read_out: event.target.checked })}
          />
          Has a digital read-out
        </label>
      </div>
      <Rows
        title="Speeds, as the plate gives them"
        name="steps"
        rows={draft.steps}
        fresh={NEW_ROW.steps}
        wrong={field}
        columns={[
          { name: 'position', label: 'Position' },
          { name: 'gear', label: 'Gear' },
          { name: 'rpm', label: 'rev/min' },
          { name: 'driver_mm', label: 'Driving pulley, mm' },
          { name: 'driven_mm', label: 'Driven pulley, mm' },
        ]}
        set={(steps) => setDraft({ ...draft, steps })}
      />
      <Rows
        title="Or a range without steps"
        name="ranges"
        rows={draft.ranges}
        fresh={NEW_ROW.ranges}
        wrong={field}
        columns={[
          { name: 'gear', label: 'Name of the range' },
          { name: 'low_rpm', label: 'Slowest, rev/min' },
          { name: 'high_rpm', label: 'Fastest, rev/min' },
        ]}
        set={(ranges) => setDraft({ ...draft, ranges })}
      />
      <Rows
        title="Never faster than"
        name="limits"
        rows={draft.limits}
        fresh={NEW_ROW.limits}
        wrong={field}
        columns={[
          { name: 'holding', label: 'Held in', among: HOLDINGS },
          { name: 'max_rpm', label: 'rev/min' },
        ]}
        set={(limits) => setDraft({ ...draft, limits })}
      />
      <Rows
        title="Dials"
        name="dials"
        rows={draft.dials}
        fresh={NEW_ROW.dials}
        wrong={field}
        columns={[
          { name: 'slide', label: 'Slide', among: SLIDES },
          { name: 'unit', label: 'Unit', among: ['mm', 'inch'] },
          { name: 'division', label: 'One division' },
          { name: 'per_turn', label: 'Divisions a turn' },
          { name: 'reads', label: 'Reads', among: ['radius', 'diameter'] },
          { name: 'backlash', label: 'Backlash' },
        ]}
        set={(dials) => setDraft({ ...draft, dials })}
      />
      <NotSaved problem={problem} gone={gone} />
      {theirs && (
        <Both
          theirs={<Brief draft={draftOf(theirs.machine)} />}
          mine={<Brief draft={draft} />}
          keepMine={() => void save(theirs.version)}
          takeTheirs={() => void client.invalidateQueries().then(close)}
        />
      )}
      <div className="flex gap-2">
        <Button look="main" type="submit" disabled={Boolean(theirs)}>
          Save
        </Button>
        <Button onClick={close}>Leave it as it was</Button>
      </div>
    </form>
  );
}

function Brief({ draft }: { draft: Draft }) {
  return (
    <>
      <p>
        {draft.plain.name}, {draft.plain.kind}, {draft.plain.power_w} W, on {draft.plain.mains_hz} Hz
      </p>
      <p className="figures text-base">
        {draft.steps.map((s) => `${s.position} ${s.gear} ${s.rpm}`).join(' · ')}
        {draft.ranges.map((r) => `${r.gear} ${r.low_rpm} to ${r.high_rpm}`).join(' · ')}
      </p>
    </>
  );
}
