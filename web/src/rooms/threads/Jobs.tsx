import type { Schemas } from '../../api/client';
import { StudCircle } from '../../drawings/StudCircle';
import { StudStack } from '../../drawings/StudStack';
import { useAsked } from '../../parts/useAsked';
import { Big, Drawn, Frame, Row } from './Frame';

const rows = (pairs: [string, { shown: string; unit: string } | null | undefined][]) => (
  <dl className="divide-y divide-line">
    {pairs.map(([name, figure]) => <Row key={name} name={name} figure={figure} />)}
  </dl>
);

/** A thread by die: the blank, the pilot, when to clean. */
export function DieRoom() {
  const asked = useAsked<Schemas['DieReply']>('die');
  const answer = asked.reply?.answer;
  return (
    <Frame
      name="die" title="Cut a thread with a die" asked={asked} reply={asked.reply}
      figures={answer ? [answer.blank_mm, answer.pilot_mm, answer.pilot_long_mm, answer.clean_every_mm, answer.clean_every_turns, answer.turns] : []}
      plate={answer && (
        <>
          <dl className="flex flex-wrap items-end gap-x-8 gap-y-3">
            <Big first name="Turn the blank to" value={answer.blank_mm.shown} under={answer.blank_mm.unit} />
            <Big name="Clean every" value={answer.clean_every_turns.shown} under={`turns, ${answer.clean_every_mm.shown} ${answer.clean_every_mm.unit}`} />
            {answer.withdrawals !== null && <Big name="Take it off to clean" value={String(answer.withdrawals)} under="times before the end" />}
            {answer.turns && <Big name="Turns in all" value={answer.turns.shown} />}
          </dl>
          <p className="mt-3 border-t border-plate-line pt-3 text-xl">{answer.back_off_says} <span className="text-plate-soft">With {answer.lubricant}.</span></p>
        </>
      )}
    >
      {answer && (
        <>
          {rows([['Pilot that guides the die, across', answer.pilot_mm], ['and long', answer.pilot_long_mm]])}
          <p className="text-lg">{answer.chamfer_says}</p>
          <ol className="list-decimal space-y-1 pl-6 text-lg">
            {answer.passes.map((pass) => <li key={pass.says}>{pass.says}</li>)}
          </ol>
        </>
      )}
    </Frame>
  );
}

/** A stud and a set of them. */
export function StudRoom() {
  const asked = useAsked<Schemas['StudReply']>('stud');
  const answer = asked.reply?.answer;
  return (
    <Frame
      name="stud" title="Studs" asked={asked} reply={asked.reply}
      side={answer && <Drawn><StudStack answer={answer} /></Drawn>}
      figures={answer ? [answer.engaged_mm, answer.length_mm, answer.breaks_n, answer.strips_inside_n, answer.strips_outside_n, answer.enough_mm, answer.stock_mm] : []}
      plate={answer && (
        <>
          <dl className="flex flex-wrap items-end gap-x-8 gap-y-3">
            <Big first name="Each is long" value={answer.length_mm.shown} under={answer.length_mm.unit} />
            <Big name="Thread in the metal" value={answer.engaged_mm.shown} under={answer.engaged_mm.unit} />
            <Big name="Thread for the nut" value={answer.nut_end_mm.shown} under={answer.nut_end_mm.unit} />
          </dl>
          <p className="mt-3 border-t border-plate-line pt-3 text-xl first-letter:uppercase">{answer.weakest}.</p>
        </>
      )}
    >
      {answer && (
        <>
          {rows([
            ['Plain between its threads', answer.plain_mm], [`Bar for ${answer.count}, faced and parted`, answer.stock_mm], ['The stud breaks at', answer.breaks_n],
            ['The metal strips at', answer.strips_inside_n], ['Its own thread strips at', answer.strips_outside_n],
            ['Thread that would be enough', answer.enough_mm],
          ])}
          <p className="text-lg">{answer.set_says} {answer.hold_says}</p>
        </>
      )}
    </Frame>
  );
}

/** Studs of a cover under pressure. */
export function CoverRoom() {
  const asked = useAsked<Schemas['CoverReply']>('cover');
  const answer = asked.reply?.answer;
  return (
    <Frame
      name="cover" title="Studs of a cover" asked={asked} reply={asked.reply}
      side={answer && <Drawn><StudCircle answer={answer} /></Drawn>}
      figures={answer ? [answer.load_n, answer.share_n, answer.stress_area_mm2, answer.stress_n_per_mm2, answer.circle_mm, answer.chord_mm, answer.inner_wall_mm, answer.outer_wall_mm, answer.spanner_mm, answer.between_nuts_mm] : []}
      plate={answer && (
        <dl className="flex flex-wrap items-end gap-x-8 gap-y-3">
          <Big first name="Studs" value={String(answer.count)} under={`the stress alone wants ${answer.least}`} />
          <Big name="Each pulls" value={answer.stress_n_per_mm2.shown} under={`N/mm² of ${answer.allowed_n_per_mm2.shown} allowed`} />
          <Big name="On a circle of" value={answer.circle_mm.shown} under={answer.circle_mm.unit} />
          <Big name="Stud to stud" value={answer.chord_mm.shown} under={answer.chord_mm.unit} />
        </dl>
      )}
    >
      {answer && rows([
        ['Lifting the cover', answer.load_n], ['Each stud’s share', answer.share_n], ['Wall to the bore', answer.inner_wall_mm],
        ['Wall to the rim', answer.outer_wall_mm], ['Between the nuts', answer.between_nuts_mm], ['A spanner wants', answer.spanner_mm],
      ])}
    </Frame>
  );
}

/** The hole a screw passes through. */
export function ClearanceRoom() {
  const asked = useAsked<Schemas['ClearanceReply']>('clearance');
  const answer = asked.reply?.answer;
  return (
    <Frame
      name="clearance" title="Clearance hole" asked={asked} reply={asked.reply}
      figures={answer ? [answer.fine_mm, answer.medium_mm, answer.coarse_mm] : []}
      plate={answer && (
        <dl className="flex flex-wrap items-end gap-x-8 gap-y-3">
          <Big first name="Drill" value={answer.drill_name} under={`the hole wants ${answer.hole_mm.shown} ${answer.hole_mm.unit}`} />
          <Big name="Fine" value={answer.fine_mm.shown} under={answer.fine_drill} />
          <Big name="Medium" value={answer.medium_mm.shown} under={answer.medium_drill} />
          <Big name="Coarse" value={answer.coarse_mm.shown} under={answer.coarse_drill} />
        </dl>
      )}
    />
  );
}

/** How tight a nut goes, as guidance. */
export function TightenRoom() {
  const asked = useAsked<Schemas['TightenReply']>('tighten');
  const answer = asked.reply?.answer;
  return (
    <Frame
      name="tighten" title="How tight" asked={asked} reply={asked.reply}
      figures={answer ? [answer.stress_area_mm2, answer.pull_n, answer.torque_nm, answer.past_snug_deg] : []}
      plate={answer && (
        <>
          <dl className="flex flex-wrap items-end gap-x-8 gap-y-3">
            <Big first name="Tighten to, as guidance" value={answer.torque_nm.shown} under={answer.torque_nm.unit} />
            {answer.past_snug_deg && <Big name="or past snug" value={`${answer.past_snug_deg.shown}°`} />}
            <Big name="It then pulls" value={answer.pull_n.shown} under={answer.pull_n.unit} />
          </dl>
          <p className="mt-3 border-t border-plate-line pt-3 text-xl">{answer.says}</p>
        </>
      )}
    />
  );
}

/** Which thread is this? */
export function WhichRoom() {
  const asked = useAsked<Schemas['WhichThreadReply']>('which-thread');
  const answer = asked.reply?.answer;
  return (
    <Frame
      name="which-thread" title="Which thread is this?" asked={asked} reply={asked.reply}
      figures={answer ? [answer.pitch_mm, ...answer.candidates.map((c) => c.under_mm)] : []}
      plate={answer && (
        <>
          <p className="text-plate-soft">Likeliest</p>
          <p className="text-6xl leading-tight font-semibold max-sm:text-4xl">{answer.verdict}</p>
        </>
      )}
    >
      {answer && (
        <table className="w-full">
          <caption className="text-left text-xl font-semibold">Candidates</caption>
          <thead>
            <tr className="text-right text-soft">
              <th scope="col" className="text-left font-normal">Thread</th>
              <th scope="col" className="font-normal">Major</th>
              <th scope="col" className="font-normal">Pitch</th>
              <th scope="col" className="font-normal">Measures under by</th>
              <th scope="col" className="font-normal">Pitch off</th>
            </tr>
          </thead>
          <tbody>
            {answer.candidates.map((one) => (
              <tr key={one.name} className="border-b border-line text-right">
                <th scope="row" className="py-1.5 text-left text-xl">{one.name}</th>
                <td className="figures">{one.major_mm.shown}</td>
                <td className="figures">{one.pitch_mm.shown}</td>
                <td className="figures">{one.under_mm.shown}</td>
                <td className="figures">{one.pitch_off_percent ? `${one.pitch_off_percent.shown} %` : '—'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </Frame>
  );
}

/** A thread's own sizes. */
export function SizesRoom() {
  const asked = useAsked<Schemas['ThreadReply']>('thread');
  const answer = asked.reply?.answer;
  return (
    <Frame
      name="thread" title="A thread’s own sizes" asked={asked} reply={asked.reply}
      figures={answer ? [answer.minor_mm, answer.effective_mm, answer.core_mm, answer.depth_mm, answer.working_mm, answer.radius_mm, answer.stress_area_mm2] : []}
      plate={answer && (
        <dl className="flex flex-wrap items-end gap-x-8 gap-y-3">
          <Big first name={answer.name} value={answer.major_mm.shown} under={`${answer.major_mm.unit}, ${answer.form}`} />
          <Big name="Pitch" value={answer.pitch_mm.shown} under={`${answer.per_inch.shown} to the inch`} />
          <Big name="Depth" value={answer.depth_mm.shown} under={answer.depth_mm.unit} />
          <Big name="Tightest hole" value={answer.minor_mm.shown} under={answer.minor_mm.unit} />
        </dl>
      )}
    >
      {answer && rows([
        ['Effective diameter', answer.effective_mm], ['Core of the screw', answer.core_mm], ['Working depth, 100 %', answer.working_mm],
        ['Cut off the sharp crest', answer.truncation_mm], ['Radius at the root', answer.radius_mm], ['Angle', answer.angle_deg], ['Tensile stress area', answer.stress_area_mm2],
      ])}
    </Frame>
  );
}
