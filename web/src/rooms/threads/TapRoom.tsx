import { Suspense, useCallback, useState } from 'react';
import type { Schemas } from '../../api/client';
import { ThreadSection } from '../../drawings/ThreadSection';
import { Button } from '../../parts/Button';
import { useAsked } from '../../parts/useAsked';
import { useKey } from '../../state/keys';
import { Big, Drawn, Frame, Row } from './Frame';
import { later } from '../../parts/later';

const TapBench = later(() => import('./TapBench'));
type TapReply = Schemas['TapReply'];

/** A tapped hole: the drill, the depth, the turns, and how near the tap is to breaking. */
export default function TapRoom() {
  const asked = useAsked<TapReply>('tap');
  const { reply, problem } = asked;
  const [bench, setBench] = useState(false);
  const [tried, setTried] = useState('');
  const ready = Boolean(reply) && !problem;
  useKey('b', useCallback(() => ready && setBench(true), [ready]));
  const answer = reply?.answer;
  const looked = answer?.drills.find((d) => d.name === tried && !d.chosen);
  return (
    <>
      <Frame
        name="tap"
        title="Tap a hole"
        asked={asked}
        reply={reply}
        figures={answer ? [answer.target_percent, answer.ideal_mm, answer.engagement_percent, answer.minor_mm, answer.lead_mm, answer.hole_depth_mm, answer.turns, answer.torque_nm, answer.break_torque_nm, answer.near_percent] : []}
        actions={
          <Button onClick={() => setBench(true)} disabled={!ready}>
            Bench view <kbd className="text-base text-soft">B</kbd>
          </Button>
        }
        plate={answer && (
          <>
            <dl className="flex flex-wrap items-end gap-x-8 gap-y-3">
              <Big first name="Drill" value={answer.drill_name} under={`${answer.drill_mm.shown} mm leaves ${answer.engagement_percent.shown} % of the thread`} />
              {answer.hole_depth_mm && <Big name="The tip goes" value={answer.hole_depth_mm.shown} under={`${answer.hole_depth_mm.unit} deep`} />}
              {answer.turns && <Big name="Turns of the tap" value={answer.turns.shown} under={answer.last_tap} />}
            </dl>
            <p className="mt-4 border-t border-plate-line pt-3 text-xl">{answer.taps_say} {answer.back_off_says}</p>
            <p className="text-plate-soft">{answer.lubricant}</p>
          </>
        )}
        side={answer && (
          <>
            <Drawn><ThreadSection answer={answer} choose={setTried} /></Drawn>
            <Torque answer={answer} />
          </>
        )}
      >
        {answer && (
          <>
            <div role="group" aria-label="Drills owned around it" className="flex flex-wrap gap-2">
              {answer.drills.map((drill) => (
                <Button key={drill.name} look={drill.chosen ? 'main' : 'plain'} aria-pressed={drill.name === (looked?.name ?? answer.drill_name)} onClick={() => setTried(drill.name)}>
                  <b className="figures">{drill.name}</b> {drill.engagement_percent.shown} %
                </Button>
              ))}
            </div>
            {looked && (
              <p className="border-l-6 border-mark bg-mark-wash px-3 py-2 text-xl">
                {looked.name} leaves {looked.engagement_percent.shown} % of the thread and keeps {looked.strength_percent.shown} % of what a full one holds.
              </p>
            )}
            <Schools answer={answer} change={asked.change} />
          </>
        )}
      </Frame>
      <Suspense>{bench && reply && <TapBench reply={reply} close={() => setBench(false)} />}</Suspense>
    </>
  );
}

function Schools({ answer, change }: { answer: TapReply['answer']; change: (typed: Record<string, string>) => void }) {
  return (
    <div role="group" aria-label="School" className="flex flex-wrap gap-2">
      {answer.schools.map((school) => (
        <Button key={school.school} look={school.chosen ? 'main' : 'plain'} aria-pressed={school.chosen} onClick={() => change({ school: school.school })}>
          {school.title}: <b className="figures">{school.drill_name}</b> {school.engagement_percent?.shown} %
        </Button>
      ))}
    </div>
  );
}

function Torque({ answer }: { answer: TapReply['answer'] }) {
  const broke = answer.break_torque_nm.value;
  const scale = 100 / Math.max(broke, answer.torque_high_nm.value) / 1.05;
  const low = answer.torque_low_nm.value * scale;
  const high = answer.torque_high_nm.value * scale;
  return (
    <section aria-label="Torque">
      <h2 className="text-xl font-semibold">How near to breaking</h2>
      <svg viewBox="0 0 100 14" className="w-full" role="img" aria-label={`Wants ${answer.torque_low_nm.shown} to ${answer.torque_high_nm.shown}, breaks at ${answer.break_torque_nm.shown} newton metres`}>
        <rect x="0" y="5" width="100" height="4" className="fill-line" />
        <rect x={low} y="4" width={high - low} height="6" className={high > broke * scale * 0.6 ? 'fill-straw-edge' : 'fill-mark'} />
        <path d={`M${broke * scale} 1V13`} className="stroke-stop-edge" strokeWidth="1.2" />
      </svg>
      <dl className="divide-y divide-line">
        <Row name="The tap wants, as usual" figure={answer.torque_nm} />
        <Row name="with packed chips" figure={answer.torque_high_nm} />
        <Row name="It breaks at about" figure={answer.break_torque_nm} />
      </dl>
    </section>
  );
}
