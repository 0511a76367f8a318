import { Link } from '@tanstack/react-router';
import { Suspense, useCallback, useState } from 'react';
import { type Reply, type SpeedAnswer, useFan, useShop } from '../../api/queries';
import { Button } from '../../parts/Button';
import { Cautions } from '../../parts/Cautions';
import { Said } from '../../parts/Said';
import { Sentence } from '../../parts/Sentence';
import { Working, stepsOf } from '../../parts/Working';
import { useKey } from '../../state/keys';
import { type Typed, setQuestion } from '../../state/question';
import { useAsked } from '../../parts/useAsked';
import { Plate } from './Plate';
import { later } from '../../parts/later';

const BenchView = later(() => import('./BenchView'));
// The number to set comes first; what stands beside it may come a moment later.
const SpeedFan = later(() => import('../../drawings/SpeedFan').then((m) => ({ default: m.SpeedFan })));
const KeepButton = later(() => import('../../parts/KeepButton').then((m) => ({ default: m.KeepButton })));
const Links = later(() => import('../../parts/Links').then((m) => ({ default: m.Links })));
const Schools = later(() => import('./Schools').then((m) => ({ default: m.Schools })));
const SlateList = later(() => import('../../parts/SlateList').then((m) => ({ default: m.SlateList })));

/** What to set on the machine for a cut. */
export function SpeedsRoom() {
  const { unit, typed, change, calculator, reply, problem, options, fetching } =
    useAsked<Reply>('speed');
  const shop = useShop();
  const fan = useFan(typed, unit, Boolean(reply) && !problem);
  const [bench, setBench] = useState(false);
  const [then, setThen] = useState(false);
  const [unfolded, setUnfolded] = useState(false);
  const ready = Boolean(reply) && !problem;
  useKey('b', useCallback(() => ready && setBench(true), [ready]));

  if (!calculator) return <p className="py-10 text-soft">Fetching the room …</p>;

  const both = reply?.answer;
  const shown = both?.then && then ? both.then : both;
  const machine = shop.data?.machines.find(({ machine }) => machine.name === shown?.machine);
  const operation = typed.operation ?? 'turn';

  return (
    <>
      <h1 className="sr-only">Speeds</h1>
      {shop.data?.stand_in && (
        <p className="mb-3 border-l-6 border-mark bg-mark-wash px-3 py-2">
          No machine of yours is kept yet: these answers are for an invented workshop’s. Add your own
          in the <a href="/workshop" className="underline">Workshop</a>.
        </p>
      )}
      <div className="grid gap-x-6 gap-y-5 lg:grid-cols-[minmax(0,1.75fr)_minmax(20rem,1fr)]">
        <div className="min-w-0 space-y-4">
          <button
            type="button"
            aria-expanded={unfolded}
            onClick={() => setUnfolded(!unfolded)}
            className="flex min-h-11 w-full items-center gap-2 border-b-2 border-mark text-left sm:hidden"
          >
            <span className="min-w-0 flex-1 truncate text-xl font-semibold">
              {reply?.read_as ?? 'Say what is to be cut'}
            </span>
            <span className="text-mark">{unfolded ? 'Fold' : 'Change'}</span>
          </button>
          <div className={unfolded ? '' : 'max-sm:hidden'}>
            <Sentence
              calculator={calculator}
              typed={typed}
              change={change}
              words={reply?.words ?? {}}
              readings={problem ? {} : (reply?.readings ?? {})}
              problem={problem}
              unit={unit}
              options={options}
            />
          </div>
          {problem && <Said problem={problem} />}
          {both?.then && !problem && (
            <div role="group" aria-label="Which cut" className="flex gap-2">
              <Button look={then ? 'plain' : 'main'} aria-pressed={!then} onClick={() => setThen(false)}>
                First, under the skin
              </Button>
              <Button look={then ? 'main' : 'plain'} aria-pressed={then} onClick={() => setThen(true)}>
                Then, in sound metal
              </Button>
            </div>
          )}
          {shown && reply && (
            <div
              aria-live="polite"
              aria-busy={fetching}
              className={`settles space-y-4 ${problem ? 'opacity-40' : ''}`}
              inert={Boolean(problem)}
            >
              <Plate answer={shown} machine={machine} operation={operation} />
              <Cautions cautions={reply.cautions} />
              <Suspense>
                <Links links={reply.links} />
              </Suspense>
              <Suspense>
                <Schools answer={shown} change={change} />
              </Suspense>
              <Working steps={stepsOf(figuresOf(shown))} />
            </div>
          )}
        </div>
        <div className="min-w-0 space-y-5">
          {fan.data && shown && reply && (
            <div className={`rounded-lg border border-line bg-card p-4 max-sm:p-2 ${problem ? 'opacity-40' : ''}`}>
              <Suspense fallback={<div className="aspect-[470/400]" />}>
                <SpeedFan
                  fan={fan.data}
                  machine={shown.machine}
                  diameter={reply.readings.diameter?.mm ?? 1}
                  wants={both!.target_rpm.value}
                  set={both!.set_rpm.value}
                />
              </Suspense>
              <Link
                to="/sheet"
                className="inline-flex min-h-11 items-center text-mark"
                onClick={() => setQuestion('sheet', sheetOf(typed, reply.words.machine ?? ''))}
              >
                Every metal and diameter on one sheet for the wall
              </Link>
            </div>
          )}
          <div>
            <div className="flex items-center justify-between gap-2 border-b border-line pb-2">
              <h2 className="text-xl font-semibold">Slate</h2>
              <div className="flex gap-2">
                <Button onClick={() => setBench(true)} disabled={!ready}>
                  Bench view <kbd className="text-base text-soft">B</kbd>
                </Button>
                <Suspense>
                  <KeepButton calculator="speed" typed={typed} unit={unit} ready={ready} />
                </Suspense>
              </div>
            </div>
            <Suspense>
              <SlateList short />
            </Suspense>
          </div>
        </div>
      </div>
      <Suspense>{bench && reply && <BenchView reply={reply} close={() => setBench(false)} />}</Suspense>
    </>
  );
}

/** The wall sheet of the same work on the same machine. */
function sheetOf(typed: Typed, machine: string): Typed {
  const pitched = ['power-tap', 'screw-cut'].includes(typed.operation ?? '');
  return { machine, tool: typed.tool ?? '', operation: pitched ? 'turn' : (typed.operation ?? '') };
}

function figuresOf(answer: SpeedAnswer) {
  return [
    answer.set_rpm,
    answer.surface_speed_m_min,
    answer.off_percent,
    answer.feed_mm_per_tooth,
    answer.feed_mm_per_rev,
    answer.feed_mm_per_min,
    answer.depth_mm,
    answer.takes_off_mm,
    answer.force_n,
    answer.power_w,
    answer.power_available_w,
    answer.torque_nm,
    answer.torque_available_nm,
    answer.spring_mm,
    answer.diameter_error_mm,
    answer.roughness_um,
    answer.time_s,
    answer.stop_s,
    answer.height_error_mm,
  ];
}
