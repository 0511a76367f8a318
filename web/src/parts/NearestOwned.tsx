import { useQuery } from '@tanstack/react-query';
import { type Schemas, call } from '../api/client';
import { refusalOf } from '../api/queries';
import { Button } from './Button';
import { Said } from './Said';

interface Props {
  label: string;
  size: string;
  unit: string;
  take: (name: string) => void;
  close: () => void;
}

/** Drills in the trays nearest to a size typed anywhere; one click puts it in its place. */
export default function NearestOwned({ label, size, unit, take, close }: Props) {
  const near = useQuery({
    queryKey: ['nearest-owned', size, unit],
    queryFn: ({ signal }) => call<Schemas['NearestDrillReply']>('POST', '/calc/nearest-drill', { size, unit }, signal),
  });
  const answer = near.data?.answer;
  const problem = refusalOf(near.error);
  const tools = answer ? [...answer.below.slice(0, 2), ...answer.above.slice(0, 2)] : [];
  tools.sort((one, other) => Math.abs(one.off_mm.value) - Math.abs(other.off_mm.value));
  return (
    <div
      role="group"
      aria-label={`Owned near ${size}`}
      className="my-2 flex flex-wrap items-center gap-2 rounded-md border border-line bg-card p-2">
      <span className="text-soft">
        {label} {size}, owned:
      </span>
      {problem && <Said problem={problem} />}
      {tools.map((tool) => (
        <Button key={tool.name} onClick={() => take(tool.name)}>
          <b className="figures font-bold">{tool.name}</b> <span className="text-soft">{tool.does}</span>
        </Button>
      ))}
      <Button look="quiet" aria-label="Close" onClick={close}>
        ✕
      </Button>
    </div>
  );
}
