import { type SubmitEvent, useState } from 'react';
import { type Metal, client } from '../../api/queries';
import type { Schemas } from '../../api/client';
import { Both } from '../../parts/Both';
import { BOX, Box } from '../../parts/Box';
import { Button } from '../../parts/Button';
import { NotSaved } from '../../parts/NotSaved';
import { useSaving } from '../../parts/useSaving';
import { Heading } from '../../parts/Heading';

type Kept = Schemas['KeptMetal'];

interface Props {
  /** The metal it starts from: one of one's own to change, or any to copy. */
  from: Metal;
  /** The shipped metal whose figures hold where a box is blank. */
  like: Metal;
  copy: boolean;
  close: () => void;
}

/** Copying or changing a metal. A blank box keeps the figure of the metal it is like. */
export function MetalEditor({ from, like, copy, close }: Props) {
  const key = copy ? null : from.key;
  const [name, setName] = useState(copy ? '' : from.name);
  const [designation, setDesignation] = useState(copy ? '' : from.designation);
  const [magnet, setMagnet] = useState(from.own?.magnet ?? '');
  const [figures, setFigures] = useState<Record<string, string>>(() =>
    Object.fromEntries(Object.entries(from.own?.figures ?? {}).map(([n, v]) => [n, String(v)])),
  );
  const { save, problem, gone } = useSaving('/metals', key, close);
  const wrong = problem?.field?.replace(/^metal\./, '') ?? null;
  const theirs = problem?.status === 409 ? (problem.theirs as Kept) : null;
  const send = (version: number) => {
    const given = Object.entries(figures).filter(([, text]) => text.trim() !== '');
    const sent = Object.fromEntries(given.map(([n, text]) => [n, text.trim().replace(',', '.')]));
    return save({ metal: { key: key ?? '', name, like: like.key, designation, magnet, figures: sent }, version });
  };
  return (
    <form
      className="space-y-4 rounded-lg border border-line bg-card p-4"
      onSubmit={(event: SubmitEvent) => {
        event.preventDefault();
        void send(from.version);
      }}>
      <Heading className="text-3xl font-semibold">{copy ? `A metal like ${from.name}` : `Change ${from.name}`}</Heading>
      <p className="text-soft">A box left blank keeps the figure of {like.name}. What you type is marked as yours.</p>
      <div className="grid gap-3 sm:grid-cols-3">
        <Box label="Name" value={name} wrong={wrong === 'name'} onChange={setName} />
        <Box label="As sold" value={designation} wrong={wrong === 'designation'} onChange={setDesignation} />
        <label>
          <span className="text-soft">A magnet bites</span>
          <select className={`${BOX} border-line`} value={magnet} onChange={(e) => setMagnet(e.target.value)}>
            <option value="">
              as {like.name}: {like.magnet}
            </option>
            {['yes', 'faintly', 'no'].map((o) => (
              <option key={o}>{o}</option>
            ))}
          </select>
        </label>
        {like.figures.map((figure) => (
          <Box
            key={figure.name}
            label={`${figure.label}${figure.unit ? `, ${figure.unit}` : ''}`}
            value={figures[figure.name] ?? ''}
            placeholder={String(figure.value)}
            wrong={wrong === `figures.${figure.name}`}
            onChange={(value) => setFigures({ ...figures, [figure.name]: value })}
          />
        ))}
      </div>
      <NotSaved problem={problem} gone={gone} />
      {theirs && (
        <Both
          theirs={<Brief name={theirs.metal.name} figures={theirs.metal.figures ?? {}} />}
          mine={<Brief name={name} figures={figures} />}
          keepMine={() => void send(theirs.version)}
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

function Brief({ name, figures }: { name: string; figures: Record<string, string | number> }) {
  const said = Object.entries(figures).filter(([, value]) => value !== '');
  return (
    <p>
      {name}:{' '}
      {said.map(([figure, value]) => `${figure.replaceAll('_', ' ')} ${value}`).join(', ') || 'no figure changed'}
    </p>
  );
}
