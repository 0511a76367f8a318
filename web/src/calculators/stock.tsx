import type { Schemas } from '../api/client';
import { OutOfRound } from '../drawings/OutOfRound';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['StockReply'];

function Beside({ reply: { answer, headline } }: Given<Reply>) {
  if (answer.tag !== 'section') return null;
  return (
    <Drawn title="Out of the round, to scale">
      <OutOfRound
        label={headline}
        bar={answer.bar_mm.value}
        sides={answer.flats}
        across={answer.largest_mm.value}
        other={answer.other_mm?.value}
        off={`${answer.off_mm.shown} ${answer.off_mm.unit}`}
      />
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
