import type { SpeedAnswer } from '../../api/queries';
import type { Typed } from '../../state/question';
import { Button } from '../../parts/Button';

/** The three ways of choosing a step, where they differ; the choice is remembered. */
export function Schools(props: { answer: SpeedAnswer; change: (change: Typed) => void }) {
  if (props.answer.schools.length === 0) return null;
  return (
    <section aria-label="Ways of choosing the step" className="border-t border-line pt-3">
      <h2 className="text-lg font-semibold">Where no step fits exactly</h2>
      <div className="mt-1 flex flex-wrap gap-2">
        {props.answer.schools.map((school) => (
          <Button
            key={school.school}
            aria-pressed={school.chosen}
            className={school.chosen ? 'border-2 border-mark! font-semibold' : ''}
            onClick={() => props.change({ school: school.school })}>
            {school.title}:{' '}
            <span className="figures text-base">
              {school.rpm.shown} ({school.off_percent.value > 0 ? '+' : ''}
              {school.off_percent.shown} %)
            </span>
          </Button>
        ))}
      </div>
    </section>
  );
}
