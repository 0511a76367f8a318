import { Link } from 'wouter';
import { useWork, workFor } from '../state/work';
import { Button } from './Button';

/** Says what this room was opened for, and leads back there. */
export function WorkedFor({ calculator }: { calculator: string }) {
  const work = useWork(calculator);
  if (!work) return null;
  return (
    <p className="flex items-center gap-2 rounded-md border border-line bg-card px-3 text-lg">
      <span className="min-w-0 flex-1">
        For {work.feature && <b>{work.feature}</b>} {work.feature && 'of '}
        <Link to={`/engines/part/${work.part}`} className="inline-flex min-h-11 items-center text-mark underline">
          {work.name}
        </Link>
      </span>
      <Button look="quiet" aria-label={`No longer for ${work.name}`} onClick={() => workFor(null)}>
        ✕
      </Button>
    </p>
  );
}
