import { DOES, type HoleStep } from './hole';

/** The tool to put in now, its belt and where to stop. */
export function StepPlate({
  step,
  number,
  of,
  coolant,
}: {
  step: HoleStep;
  number: number;
  of: number;
  coolant: string;
}) {
  const big =
    step.name.length <= 7
      ? 'text-[8rem] max-sm:text-7xl'
      : step.name.length <= 16
        ? 'text-6xl max-sm:text-5xl'
        : 'text-5xl max-sm:text-4xl';
  return (
    <div className="rounded-lg bg-plate p-1.5 text-plate-ink ring-1 ring-plate-line" aria-live="polite">
      <div className="rounded-md border border-plate-line p-4 sm:p-5">
        <p className="text-plate-soft">
          {number} of {of}: {DOES[step.kind] ?? step.kind}
        </p>
        <p className={`figures leading-none font-bold ${big}`}>{step.name}</p>
        <dl className="mt-4 flex flex-wrap gap-x-8 gap-y-3 border-t border-plate-line pt-3">
          {step.rpm && <Part name="Set" big={step.position || step.rpm.shown} under={`${step.rpm.shown} rev/min`} />}
          {step.stop && (
            <Part name="Stop at" big={step.stop} under={`tip goes ${step.depth_mm?.shown} ${step.depth_mm?.unit}`} />
          )}
          {step.feed_mm_per_rev && (
            <Part name="Feed" big={step.feed_mm_per_rev.shown} under={`${step.feed_mm_per_rev.unit}, ${coolant}`} />
          )}
        </dl>
        {step.says && <p className="mt-3 text-xl">{step.says}</p>}
      </div>
    </div>
  );
}

function Part({ name, big, under }: { name: string; big: string; under: string }) {
  return (
    <div>
      <dt className="text-plate-soft">{name}</dt>
      <dd>
        <span className="block text-3xl leading-tight font-semibold max-sm:text-2xl">{big}</span>
        <span className="text-plate-soft">{under}</span>
      </dd>
    </div>
  );
}
