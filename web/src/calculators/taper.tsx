import type { Schemas } from '../api/client';
import { TaperView } from '../drawings/TaperView';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['TaperReply'];

function Beside({ reply: { answer, headline } }: Given<Reply>) {
  const { large_mm, small_mm, long_mm } = answer;
  if (!large_mm || !small_mm || !long_mm) return null;
  return (
    <Drawn title="Along its axis, to scale">
      <TaperView
        label={headline}
        large={large_mm.value}
        small={small_mm.value}
        long={long_mm.value}
        shown={{
          large: large_mm.shown,
          small: small_mm.shown,
          long: `${long_mm.shown} ${long_mm.unit}`,
          angle: answer.angle_deg.shown,
        }}
      />
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
