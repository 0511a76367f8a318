import type { Schemas } from '../api/client';
import { ChordView } from '../drawings/ChordView';
import { FaceView } from '../drawings/FaceView';
import { Touched } from '../drawings/Touched';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['PlaceReply'];

function Beside({ reply: { answer, headline, read_as } }: Given<Reply>) {
  if (answer.tag === 'at') {
    const middle = { x: answer.centre_x_mm.value, y: answer.centre_y_mm.value };
    // From one place to another the way is drawn from where it begins.
    const goes = read_as.startsWith('From one');
    const at = goes
      ? { x: middle.x + answer.x_mm.value, y: middle.y + answer.y_mm.value }
      : { x: answer.x_mm.value, y: answer.y_mm.value };
    return (
      <Drawn title="From above, to scale">
        <FaceView
          label={headline}
          holes={[{ name: '1', ...at }]}
          hole={0}
          middle={middle}
          circle={2 * answer.radius_mm.value}
          next="1"
        />
      </Drawn>
    );
  }
  if (answer.tag === 'chord') {
    return (
      <Drawn title="The chord, to scale">
        <ChordView
          label={headline}
          angle={answer.angle_deg.value}
          chord={`${answer.chord_mm.shown} ${answer.chord_mm.unit}`}
          rise={`${answer.rise_mm.shown} ${answer.rise_mm.unit}`}
        />
      </Drawn>
    );
  }
  if (answer.tag === 'touch' && answer.offset_mm) {
    return (
      <Drawn title="From above">
        <Touched
          label={headline}
          goes={-answer.set_mm.value}
          offset={answer.offset_mm.value}
          wide={answer.wide_mm?.value}
          shown={answer.stop_mm.shown}
        />
      </Drawn>
    );
  }
  return null;
}

export default { side: Beside } satisfies Extras<Reply>;
