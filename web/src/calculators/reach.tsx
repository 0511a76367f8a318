import type { Schemas } from '../api/client';
import { InTheRoom } from '../drawings/InTheRoom';
import { JawsSwing } from '../drawings/JawsSwing';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['ReachReply'];

/** One behind the other where they share the room, each from the middle where they pass a wall. */
function Beside({ reply: { answer, headline }, typed, unit }: Given<Reply>) {
  const [jaws] = answer.pieces;
  if (typed.way === 'jaws' && jaws) {
    const bed = jaws.takes_mm.value + jaws.left_mm.value;
    const shown = unit === 'inch' ? `${(bed / 25.4).toFixed(2)}"` : bed.toFixed(0);
    return (
      <Drawn title="The chuck from the front, to scale">
        <JawsSwing
          label={headline}
          jaws={jaws.takes_mm.value}
          bed={bed}
          shown={{ jaws: jaws.takes_mm.shown, bed: shown }}
        />
      </Drawn>
    );
  }
  const shares = typed.way === 'stack' || typed.way === 'travel';
  const ends = answer.pieces.reduce<number[]>((sums, one) => [...sums, (sums.at(-1) ?? 0) + one.takes_mm.value], []);
  const pieces = answer.pieces
    .filter((one) => !one.name.includes('passing over'))
    .map((one, n) => ({
      name: one.name,
      from: shares ? (ends[n - 1] ?? 0) : 0,
      to: shares ? ends[n]! : one.takes_mm.value / 2,
      shown: one.takes_mm.shown,
      left: one.left_mm.value,
    }));
  const last = shares ? pieces.at(-1) : pieces[0];
  if (!last) return null;
  return (
    <Drawn title={shares ? 'In the room there is, to scale' : 'From the middle to the wall, to scale'}>
      <InTheRoom label={headline} wall={last.to + last.left} pieces={pieces} />
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
