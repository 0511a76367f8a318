import type { Schemas } from '../../api/client';
import type { Caution } from '../../api/queries';
import { BenchSteps } from '../../parts/BenchSteps';
import { stopsAmong } from '../../parts/StopPlate';

interface Props {
  title: string;
  cautions: Caution[];
  steps: Schemas['MadeWire'][];
  close: () => void;
}

/** The order of a part alone on the screen: one step, its size, and the one after. */
export function OrderBench({ title, cautions, steps, close }: Props) {
  return (
    <BenchSteps
      title={title}
      stops={stopsAmong(cautions)}
      steps={steps.map((step) => ({
        does: step.size_mm ? step.does : `Step ${step.step}`,
        number: step.size_mm?.shown ?? step.does,
        unit: step.size_mm?.unit ?? '',
        under: step.how,
        ahead: step.does.charAt(0).toLowerCase() + step.does.slice(1),
      }))}
      ends="That is the last of it."
      close={close}
    />
  );
}
