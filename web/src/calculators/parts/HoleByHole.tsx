import type { ReactNode } from 'react';
import type { AnyReply, Figure } from '../../api/queries';
import { BenchWalk } from '../../parts/BenchWalk';
import { sentenced, stopsAmong } from '../../parts/StopPlate';
import { createStore } from '../../state/store';

export interface Gone {
  name: string;
  x_mm: Figure;
  y_mm: Figure;
}

interface Props {
  reply: AnyReply;
  /** In the order they are gone to. */
  holes: Gone[];
  draw: (next: string | undefined, done: string[]) => ReactNode;
  close: () => void;
}

/** How many holes of each pattern are done: closing the bench by mistake loses none. */
const gone = createStore<Record<string, number>>({});

/** One hole at a time with what the read-out must show, next by one key, the last one undone by one. */
export function HoleByHole({ reply, holes, draw, close }: Props) {
  const all = gone.use();
  const count = Math.min(all[reply.read_as] ?? 0, holes.length);
  const put = (many: number) => gone.set({ ...gone.get(), [reply.read_as]: many });
  const forward = () => {
    if (count < holes.length) put(count + 1);
    else close();
  };
  const hole = holes[count];
  const [stop] = stopsAmong(reply.cautions);
  const done = holes.slice(0, count).map(({ name }) => name);
  return (
    <BenchWalk
      title={reply.read_as}
      stop={stop && `Stop. ${sentenced(stop.instead)}: ${stop.says}`}
      now={
        hole ? (
          <>
            <p className="text-4xl text-plate-soft max-sm:text-2xl">
              Hole <b className="text-plate-ink">{hole.name}</b>, {count + 1} of {holes.length}
            </p>
            <Axis name="x" at={hole.x_mm} />
            <Axis name="y" at={hole.y_mm} />
          </>
        ) : (
          <p className="text-6xl font-bold">All {holes.length} are done.</p>
        )
      }
      drawing={draw(hole?.name, done)}
      leave="Close"
      going={Boolean(hole)}
      forward={forward}
      back={count > 0 ? () => put(count - 1) : undefined}
      close={close}
    />
  );
}

function Axis({ name, at }: { name: string; at: Figure }) {
  return (
    <p className="flex items-baseline gap-6 leading-tight font-bold max-sm:gap-3">
      <span className="text-6xl text-plate-soft max-sm:text-4xl">{name}</span>
      <span className="figures text-[min(15vw,9.5rem)] whitespace-nowrap">{at.shown}</span>
      <span className="text-4xl text-plate-soft max-sm:text-2xl">{at.unit}</span>
    </p>
  );
}
