import type { Schemas } from '../api/client';
import { FaceView } from '../drawings/FaceView';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';
import { createStore } from '../state/store';
import { HoleByHole } from './parts/HoleByHole';
import { HolePlate } from './parts/HolePlate';
import { SetOutFiles } from './parts/SetOutFiles';

type Reply = Schemas['CircleReply'];

function Face({ reply: { answer, headline }, next, done = [] }: Given<Reply> & { next?: string; done?: string[] }) {
  return (
    <FaceView
      label={headline}
      holes={answer.holes.map((one) => ({
        name: one.name,
        x: one.x_mm.value,
        y: one.y_mm.value,
        done: done.includes(one.name),
      }))}
      hole={answer.hole_mm?.value ?? 0}
      middle={{ x: answer.middle_x_mm.value, y: answer.middle_y_mm.value }}
      circle={answer.circle_mm?.value}
      bore={answer.bore_mm?.value}
      rim={answer.rim_mm?.value}
      face={answer.wide_mm && answer.high_mm ? { wide: answer.wide_mm.value, high: answer.high_mm.value } : undefined}
      clear={answer.clear.map((one) => ({ name: one.name, deg: one.at_deg.value, wide: one.wide_mm.value }))}
      next={next}
    />
  );
}

const inTurn = ({ answer }: Reply) => [...answer.holes].sort((a, b) => a.go - b.go);

/** Which hole is looked at, in the order they are gone to. */
const picked = createStore(0);

function ToSet({ reply }: Given<Reply>) {
  const holes = inTurn(reply);
  const { chord_mm, over_mm, says } = reply.answer;
  return (
    <HolePlate
      holes={holes}
      at={Math.min(picked.use(), holes.length - 1)}
      pick={picked.set}
      checks={[
        { name: 'Check: neighbours, middle to middle', figure: chord_mm },
        { name: 'over two of them', figure: over_mm },
      ]}
      says={says}
    />
  );
}

function Beside(given: Given<Reply>) {
  const holes = inTurn(given.reply);
  return (
    <Drawn title="The face from above, to scale">
      <Face {...given} next={holes[Math.min(picked.use(), holes.length - 1)]?.name} />
    </Drawn>
  );
}

function Bench(given: Given<Reply> & { close: () => void }) {
  return (
    <HoleByHole
      reply={given.reply}
      holes={inTurn(given.reply)}
      draw={(next, done) => <Face {...given} next={next} done={done} />}
      close={given.close}
    />
  );
}

/** A pattern that is brought in lies where it was drawn: what was told of another does not belong to it. */
const NOTHING = { start: '', x: '', y: '', bore: '', rim: '', wide: '', high: '', ports: '', seen: '' };

function Files(given: Given<Reply>) {
  return (
    <SetOutFiles
      {...given}
      name="circle"
      take={({ spots, hole }) => (spots ? { ...NOTHING, pattern: 'points', spots, ...(hole ? { hole } : {}) } : null)}
    />
  );
}

export default { plate: ToSet, side: Beside, also: Files, bench: Bench } satisfies Extras<Reply>;
