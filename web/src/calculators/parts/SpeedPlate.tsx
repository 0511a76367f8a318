import { type ReactNode, Suspense } from 'react';
import type { Figure, MachineOut, SpeedAnswer } from '../../api/queries';
import { later } from '../../parts/later';

const Pulleys = later(() => import('../../drawings/Pulleys').then((m) => ({ default: m.Pulleys })));

interface Props {
  answer: SpeedAnswer;
  machine: MachineOut | undefined;
  operation: string;
}

/** The dark plate: what to set, largest of all; beside it what to wind on. */
export function SpeedPlate({ answer, machine, operation }: Props) {
  const stepped = answer.mark !== '';
  return (
    <div className="rounded-lg bg-plate p-1.5 text-plate-ink ring-1 ring-plate-line">
      <div className="grid gap-x-6 gap-y-4 rounded-md border border-plate-line p-4 md:grid-cols-[1fr_minmax(11rem,14rem)] sm:p-5">
        <div className="min-w-0">
          {stepped ? (
            <div className="flex items-start justify-between gap-x-4">
              <div>
                <p className="text-plate-soft">Put the belt on</p>
                <p className="mt-2 flex items-baseline gap-3 max-sm:block">
                  <span className={`figures leading-[0.85] font-bold wrap-anywhere ${markSize(answer.mark)}`}>
                    {answer.mark}
                  </span>
                  <span className="text-3xl text-plate-soft">{answer.gear}</span>
                </p>
              </div>
              {machine && (
                <div className="max-w-56 min-w-0 flex-1 pt-1">
                  <Suspense>
                    <Pulleys machine={machine} mark={answer.mark} />
                  </Suspense>
                </div>
              )}
            </div>
          ) : (
            <p className="text-plate-soft">Set the spindle to{answer.gear && `, ${answer.gear}`}</p>
          )}
          <p className="mt-4 flex items-baseline gap-3">
            <span
              className={`figures leading-none font-bold ${stepped ? 'text-7xl max-sm:text-6xl' : 'text-[9rem] max-sm:text-8xl'}`}>
              {answer.set_rpm.shown}
            </span>
            <span className="text-3xl text-plate-soft">rev/min</span>
          </p>
          <p className="mt-3 text-plate-soft">{answer.explains}</p>
          {answer.elsewhere && <p className="mt-1 text-xl">{answer.elsewhere}</p>}
          {answer.own.length > 0 && <p className="mt-1 text-xl">Your own: {answer.own.map(offBy).join(', ')}.</p>}
        </div>
        <dl className="grid content-start gap-2.5 border-plate-line max-md:grid-cols-2 max-md:border-t max-md:pt-3 md:border-l md:pl-5">
          {answer.feed_mm_per_rev && answer.feed_mm_per_min && (
            <Row
              name={answer.feed_mm_per_tooth ? 'Feed a tooth' : 'Feed'}
              figure={answer.feed_mm_per_tooth ?? answer.feed_mm_per_rev}
              under={`${answer.feed_mm_per_min.shown} ${answer.feed_mm_per_min.unit}`}
            />
          )}
          {answer.dial_divisions ? (
            <Row
              name={`Wind on the ${answer.dial_slide}`}
              figure={answer.dial_divisions}
              under={wound(answer, operation)}
            />
          ) : (
            answer.depth_mm &&
            !['drill', 'centre', 'ream', 'countersink', 'spot-face'].includes(operation) && (
              <Row name="Depth of cut" figure={answer.depth_mm} />
            )
          )}
        </dl>
        <dl className="flex flex-wrap gap-x-8 gap-y-2 border-t border-plate-line pt-3 md:col-span-2">
          {answer.power_w && answer.torque_nm && (
            <Small name="Load">
              <b className="figures">{answer.power_w.shown}</b> W of {answer.power_available_w.shown},{' '}
              <b className="figures">{answer.torque_nm.shown}</b> of {answer.torque_available_nm.shown} N·m
            </Small>
          )}
          {answer.stop_s && (
            <Small name="Time to stop in the relief">
              <b className="figures">{answer.stop_s.shown}</b> s
            </Small>
          )}
          {answer.height_error_mm && (
            <Small name={operation === 'face' ? 'Pip the tool leaves' : 'Diameter comes out off by'}>
              <b className="figures">{answer.height_error_mm.shown}</b> {answer.height_error_mm.unit}
            </Small>
          )}
          {answer.time_s && (
            <Small name="Time for the cut">
              <b className="figures">{answer.time_s.shown}</b> s
            </Small>
          )}
          <Small name="On the cut">{answer.coolant}</Small>
        </dl>
      </div>
    </div>
  );
}

/** What the divisions come to: whole turns of the dial, and what they take off. */
export function wound(answer: SpeedAnswer, operation: string): string {
  const off = `${takes(operation)} ${answer.takes_off_mm?.shown} ${answer.takes_off_mm?.unit}`;
  const done = operation === 'part' ? 'to the centre' : off;
  return answer.dial_turns_say ? `${answer.dial_turns_say}; ${done}` : done;
}

export function takes(operation: string): string {
  if (operation === 'bore') return 'opens the bore by';
  if (['turn', 'groove', 'form'].includes(operation)) return 'takes off the diameter';
  return 'takes off';
}

function Small({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div>
      <dt className="text-plate-soft">{name}</dt>
      <dd className="text-xl">{children}</dd>
    </div>
  );
}

function Row(props: { name: string; figure: Figure; under?: string }) {
  return (
    <div>
      <dt className="text-plate-soft">{props.name}</dt>
      <dd>
        <span className="figures text-5xl leading-tight font-bold max-sm:text-4xl">{props.figure.shown}</span>{' '}
        <span className="text-xl text-plate-soft">{props.figure.unit}</span>
        {props.under && <span className="block text-plate-soft">{props.under}</span>}
      </dd>
    </div>
  );
}

/** A belt's name may be a digit or a word: as large as it leaves room for the numbers beside it. */
function markSize(mark: string): string {
  if (mark.length <= 2) return 'text-[12rem] max-sm:text-8xl';
  if (mark.length <= 6) return 'text-8xl max-sm:text-6xl';
  return 'text-5xl max-sm:text-4xl';
}

function offBy({ what, off_percent: off }: SpeedAnswer['own'][number]): string {
  if (Math.abs(off.value) < 1) return `${what} the same`;
  return `${what} ${Math.abs(Math.round(off.value))} % ${off.value > 0 ? 'over' : 'under'}`;
}
