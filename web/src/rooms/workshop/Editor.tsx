import { type FormEvent, useState } from 'react';
import { type Problem, call } from '../../api/client';
import { type MachineOut, client, refusalOf } from '../../api/queries';
import { Button } from '../../parts/Button';
import { Said } from '../../parts/Said';
import { Box, Rows } from './Rows';
import { type Draft, HOLDINGS, NEW_ROW, PLAIN, SLIDES, bodyOf, draftOf } from './draft';

interface Props {
  start: Draft;
  machineKey: string | null;
  version: number;
  close: () => void;
}

/** Adding or changing a machine. Nothing typed is lost by a refusal or a server that is gone. */
export function Editor({ start, machineKey, version, close }: Props) {
  const [draft, setDraft] = useState(start);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [gone, setGone] = useState(false);
  const field = problem?.field?.replace(/^machine\./, '') ?? null;

  const save = async (atVersion: number) => {
    setGone(false);
    try {
      const body = { machine: bodyOf(draft, machineKey ?? ''), version: atVersion };
      if (machineKey === null) await call('POST', '/machines', body);
      else await call('PUT', `/machines/${machineKey}`, body);
      await client.invalidateQueries();
      close();
    } catch (error) {
      setProblem(refusalOf(error));
      setGone(!refusalOf(error));
    }
  };
  const theirs = problem?.status === 409 ? (problem.theirs as MachineOut) : null;
  const plain = (name: string, value: string) =>
    setDraft({ ...draft, plain: { ...draft.plain, [name]: value } });

  return (
    <form
      className="space-y-5"
      onSubmit={(event: FormEvent) => {
        event.preventDefault();
        void save(version);
      }}
    >
      <h1 className="text-3xl font-semibold">
        {machineKey === null ? 'A new machine' : `Change ${start.plain.name}`}
      </h1>
      <div className="grid gap-3 sm:grid-cols-3">
        <label>
          <span className="text-soft">Kind</span>
          <select
            className="block min-h-11 w-full rounded border border-line bg-card px-2"
            value={draft.plain.kind}
            onChange={(event) => plain('kind', event.target.value)}
          >
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
            onChange={(event) => plain('drive', event.target.value)}
          >
            {['straight off the mains', 'variable-speed drive'].map((drive) => (
              <option key={drive}>{drive}</option>
            ))}
          </select>
        </label>
        {PLAIN.map(({ name, label }) => (
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
      {problem && <Said problem={problem} />}
      {gone && (
        <p role="alert" className="border-l-6 border-stop-edge bg-stop px-3 py-2 text-stop-ink">
          Not saved: the server does not answer. Everything typed is still here; save again when it
          is back.
        </p>
      )}
      {theirs && (
        <Both
          theirs={theirs}
          mine={draft}
          keepMine={() => void save(theirs.version)}
          takeTheirs={() => {
            setDraft(draftOf(theirs.machine));
            setProblem(null);
            void client.invalidateQueries();
            close();
          }}
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

function Both(props: {
  theirs: MachineOut;
  mine: Draft;
  keepMine: () => void;
  takeTheirs: () => void;
}) {
  const sides = [
    { who: 'Saved in the other window', draft: draftOf(props.theirs.machine), act: props.takeTheirs, does: 'Take that' },
    { who: 'What you have here', draft: props.mine, act: props.keepMine, does: 'Keep this' },
  ];
  return (
    <div className="grid gap-4 sm:grid-cols-2">
      {sides.map(({ who, draft, act, does }) => (
        <section key={who} className="rounded border border-line bg-card p-3">
          <h2 className="font-semibold">{who}</h2>
          <p>
            {draft.plain.name}, {draft.plain.kind}, {draft.plain.power_w} W, on {draft.plain.mains_hz} Hz
          </p>
          <p className="figures text-base">
            {draft.steps.map((s) => `${s.position} ${s.gear} ${s.rpm}`).join(' · ')}
            {draft.ranges.map((r) => `${r.gear} ${r.low_rpm} to ${r.high_rpm}`).join(' · ')}
          </p>
          <Button className="mt-2" onClick={act}>
            {does}
          </Button>
        </section>
      ))}
    </div>
  );
}
