import type { Schemas } from '../api/client';
import { Pairing } from '../drawings/Pairing';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['PairsReply'];

function Beside({ reply: { answer } }: Given<Reply>) {
  if (answer.tag !== 'measured') return null;
  const rest = (side: string) =>
    answer.missed
      .filter((one) => one.part.startsWith(side))
      .map((one) => ({ name: one.part.slice(side.length + 1), mm: one.size_mm.value, shown: one.size_mm.shown }));
  return (
    <Drawn title="Who goes with whom, by size">
      <Pairing
        label={`${answer.fit} pairs, ${answer.missed.length} left over`}
        pairs={answer.pairs.map((pair) => ({
          hole: { name: pair.hole, mm: pair.hole_mm.value, shown: pair.hole_mm.shown },
          shaft: { name: pair.shaft, mm: pair.shaft_mm.value, shown: pair.shaft_mm.shown },
        }))}
        holes={rest('hole')}
        shafts={rest('shaft')}
      />
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
