import type { Schemas } from '../api/client';
import { OffCentre } from '../drawings/OffCentre';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['ThrowReply'];

function Beside({ reply: { answer } }: Given<Reply>) {
  const off = answer.throw_mm.value;
  return (
    <Drawn title="Seen on its end, to scale">
      <OffCentre
        label={`A throw of ${answer.throw_mm.shown}, swinging ${answer.swing_mm.shown} ${answer.swing_mm.unit}`}
        off={off}
        pin={answer.pin_mm?.value ?? Math.max(off * 0.6, 1)}
        main={answer.main_mm?.value ?? Math.max(off * 0.8, 1)}
        bar={(answer.bar_mm ?? answer.held_mm)?.value}
        apart={answer.apart_deg?.value}
        shown={answer.throw_mm.shown}
      />
    </Drawn>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
