import type { Schemas } from '../api/client';

type Answer = Schemas['ThrowAnswerWire'];

const SIZE = 300;
const MIDDLE = SIZE / 2;

/** A pin or an eccentric beside its shaft, seen on the end: throw, circle it swings, and the bar. */
export function OffCentre({ answer }: { answer: Answer }) {
  const e = answer.throw_mm.value;
  const bar = (answer.bar_mm ?? answer.held_mm)?.value;
  const pin = answer.pin_mm?.value ?? Math.max(e * 0.6, 1);
  const main = answer.main_mm?.value ?? Math.max(e * 0.8, 1);
  const widest = Math.max(e + pin / 2, main / 2, (bar ?? 0) / 2, e + 0.1);
  const scale = (MIDDLE - 16) / widest;
  return (
    <svg
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      role="img"
      aria-label={`A throw of ${answer.throw_mm.shown}, swinging ${answer.swing_mm.shown} ${answer.swing_mm.unit}`}
      className="mx-auto block w-full max-w-96">
      {bar && (
        <circle cx={MIDDLE} cy={MIDDLE} r={(bar / 2) * scale} className="fill-none stroke-ink" strokeDasharray="6 5" />
      )}
      <circle cx={MIDDLE} cy={MIDDLE} r={e * scale} className="fill-none stroke-soft" strokeDasharray="2 4" />
      <circle cx={MIDDLE} cy={MIDDLE} r={(main / 2) * scale} className="fill-mark-wash stroke-mark" strokeWidth={2} />
      <circle
        cx={MIDDLE}
        cy={MIDDLE - e * scale}
        r={(pin / 2) * scale}
        className="fill-straw stroke-straw-edge"
        strokeWidth={2}
      />
      <path d={`M${MIDDLE} ${MIDDLE}V${MIDDLE - e * scale}`} className="stroke-ink" strokeWidth={2} />
      <text x={MIDDLE + 8} y={MIDDLE - (e * scale) / 2 + 5} className="figures fill-ink text-[16px] font-semibold">
        {answer.throw_mm.shown}
      </text>
    </svg>
  );
}
