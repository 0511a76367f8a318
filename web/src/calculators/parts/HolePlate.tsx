import type { Figure } from '../../api/queries';
import { Plate } from '../../parts/AnswerPlate';
import { Button } from '../../parts/Button';
import type { Gone } from './HoleByHole';

const SHOWN = 30;

interface Props {
  /** In the order they are gone to. */
  holes: Gone[];
  at: number;
  pick: (at: number) => void;
  checks: { name: string; figure: Figure | null }[];
  says: string;
}

/** What the read-out must show over one hole, and the holes to choose from. */
export function HolePlate({ holes, at, pick, checks, says }: Props) {
  const hole = holes[at];
  if (!hole) return null;
  const long = Math.max(hole.x_mm.shown.length, hole.y_mm.shown.length) > 7;
  return (
    <>
      <Plate>
        <p className="text-plate-soft">
          Hole <b className="text-xl text-plate-ink">{hole.name}</b>, {at + 1} of {holes.length}: set the read-out to
        </p>
        <dl className="flex flex-wrap items-end gap-x-10 gap-y-1">
          <Axis name="x" at={hole.x_mm} long={long} />
          <Axis name="y" at={hole.y_mm} long={long} />
        </dl>
        <dl className="mt-3 flex flex-wrap gap-x-10 gap-y-2 border-t border-plate-line pt-3">
          {checks.map(
            ({ name, figure }) =>
              figure && (
                <div key={name}>
                  <dt className="text-plate-soft">{name}</dt>
                  <dd className="text-3xl leading-tight font-semibold max-sm:text-2xl">
                    <span className="figures">{figure.shown}</span>{' '}
                    <span className="text-xl font-normal text-plate-soft">{figure.unit}</span>
                  </dd>
                </div>
              ),
          )}
        </dl>
        <p className="mt-3 max-w-3xl text-xl">{says}</p>
      </Plate>
      {holes.length <= SHOWN && (
        <ol aria-label="Holes in their turn" className="flex flex-wrap gap-2">
          {holes.map((one, n) => (
            <li key={one.name}>
              <Button
                look={n === at ? 'main' : 'plain'}
                aria-current={n === at ? 'step' : undefined}
                onClick={() => pick(n)}>
                {one.name}
              </Button>
            </li>
          ))}
        </ol>
      )}
    </>
  );
}

function Axis({ name, at, long }: { name: string; at: Figure; long: boolean }) {
  return (
    <div className="flex items-baseline gap-3">
      <dt className="text-4xl text-plate-soft max-sm:text-2xl">{name}</dt>
      <dd className="whitespace-nowrap">
        <span className={`figures leading-tight font-bold max-sm:text-6xl ${long ? 'text-6xl' : 'text-7xl'}`}>
          {at.shown}
        </span>{' '}
        <span className="text-xl text-plate-soft">{at.unit}</span>
      </dd>
    </div>
  );
}
