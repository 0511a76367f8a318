import type { Stage } from '../api/parts';
import { PartFace } from './PartFace';
import { HalfSection } from './HalfSection';

/** A part as it stands: cut through its axis, and on every face something is drilled or milled in. */
export function StageView({ stage, label }: { stage: Stage; label: string }) {
  return (
    <>
      {stage.section && <HalfSection section={stage.section} label={label} />}
      {stage.faces.map((face) => (
        <PartFace key={face.side} face={face} label={`${label}, ${face.side}`} />
      ))}
    </>
  );
}
