import type { Stage } from '../api/parts';
import { StageView } from './StageView';

/** A drawing as small as a word beside it: its lines stay as thick as they are. */
export function Thumbnail({ stage }: { stage: Stage | undefined }) {
  return (
    <span
      aria-hidden
      className="block h-11 w-20 shrink-0 overflow-hidden [&_*]:[vector-effect:non-scaling-stroke] [&_figcaption]:hidden [&_svg]:h-11 [&_svg]:w-20">
      {stage && <StageView stage={stage} label="" />}
    </span>
  );
}
