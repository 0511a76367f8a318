import type { Schemas } from '../api/client';
import { ThreadSection } from '../drawings/ThreadSection';
import type { Extras, Given } from '../house';
import { Big, Plate } from '../parts/AnswerPlate';
import { Button } from '../parts/Button';
import { Drawn } from '../parts/Drawn';
import { createStore } from '../state/store';
import { TapBench } from './parts/TapBench';

type Reply = Schemas['TapReply'];
type Tap = Given<Reply>;

/** A drill that is only looked at. */
const tried = createStore('');

function ToDrill({ reply: { answer } }: Tap) {
  return (
    <Plate>
      <dl className="flex flex-wrap items-end gap-x-8 gap-y-3">
        <Big
          first
          name="Drill"
          value={answer.drill_name}
          under={`${answer.drill_mm.shown} ${answer.drill_mm.unit} leaves ${answer.engagement_percent.shown} % of the thread`}
        />
        {answer.hole_depth_mm && <Big name="The tip goes" value={answer.hole_depth_mm} under="deep" />}
        {answer.turns && <Big name="Turns of the tap" value={answer.turns.shown} under={answer.last_tap} />}
      </dl>
      <p className="mt-4 border-t border-plate-line pt-3 text-xl">
        {answer.taps_say} {answer.back_off_says}
      </p>
      <p className="text-plate-soft">{answer.lubricant}</p>
    </Plate>
  );
}

function Drills({ reply: { answer }, change }: Tap) {
  const name = tried.use();
  const looked = answer.drills.find((drill) => drill.name === name && !drill.chosen);
  return (
    <>
      <div role="group" aria-label="Drills owned around it" className="flex flex-wrap gap-2">
        {answer.drills.map((drill) => (
          <Button
            key={drill.name}
            look={drill.chosen ? 'main' : 'plain'}
            aria-pressed={drill.name === (looked?.name ?? answer.drill_name)}
            onClick={() => tried.set(drill.name)}>
            <b className="figures">{drill.name}</b> {drill.engagement_percent.shown} %
          </Button>
        ))}
      </div>
      {looked && (
        <p className="border-l-6 border-mark bg-mark-wash px-3 py-2 text-xl">
          {looked.name} leaves {looked.engagement_percent.shown} % of the thread and keeps{' '}
          {looked.strength_percent.shown} % of what a full one holds.
        </p>
      )}
      <div role="group" aria-label="School" className="flex flex-wrap gap-2">
        {answer.schools.map((school) => (
          <Button
            key={school.school}
            look={school.chosen ? 'main' : 'plain'}
            aria-pressed={school.chosen}
            onClick={() => change({ school: school.school })}>
            {school.title}: <b className="figures">{school.drill_name}</b> {school.engagement_percent?.shown} %
          </Button>
        ))}
      </div>
    </>
  );
}

function Beside({ reply: { answer } }: Tap) {
  return (
    <>
      <Drawn>
        <ThreadSection answer={answer} choose={tried.set} />
      </Drawn>
      <Torque answer={answer} />
    </>
  );
}

function Torque({ answer }: { answer: Reply['answer'] }) {
  const broke = answer.break_torque_nm.value;
  const scale = 100 / Math.max(broke, answer.torque_high_nm.value) / 1.05;
  const low = answer.torque_low_nm.value * scale;
  const high = answer.torque_high_nm.value * scale;
  const lines = [
    ['The tap wants, as usual', answer.torque_nm],
    ['with packed chips', answer.torque_high_nm],
    ['It breaks at about', answer.break_torque_nm],
  ] as const;
  return (
    <section aria-label="Torque">
      <h2 className="text-xl font-semibold">How near to breaking</h2>
      <svg
        viewBox="0 0 100 14"
        className="w-full"
        role="img"
        aria-label={`Wants ${answer.torque_low_nm.shown} to ${answer.torque_high_nm.shown}, breaks at ${answer.break_torque_nm.shown} newton metres`}>
        <rect x="0" y="5" width="100" height="4" className="fill-line" />
        <rect
          x={low}
          y="4"
          width={high - low}
          height="6"
          className={high > broke * scale * 0.6 ? 'fill-straw-edge' : 'fill-mark'}
        />
        <path d={`M${broke * scale} 1V13`} className="stroke-stop-edge" strokeWidth="1.2" />
      </svg>
      <dl className="divide-y divide-line">
        {lines.map(([name, figure]) => (
          <div key={name} className="flex justify-between gap-4 py-1.5">
            <dt className="text-soft">{name}</dt>
            <dd>
              <b className="figures">{figure.shown}</b> {figure.unit}
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

export default { plate: ToDrill, below: Drills, side: Beside, bench: TapBench } satisfies Extras<Reply>;
