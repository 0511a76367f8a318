import type { Schemas } from '../api/client';

type Answer = Schemas['FitAnswerWire'];

const WIDE = 420;
const TALL = 360;
const EDGE = 34;

/** The hole's zone and the shaft's about the nominal size, to one scale, and what lies between them. */
export function FitZones({ answer }: { answer: Answer }) {
  const { hole_low_mm: hl, hole_high_mm: hh, shaft_low_mm: sl, shaft_high_mm: sh, nominal_mm: nominal } = answer;
  const all = [hl, hh, sl, sh, nominal].map((figure) => figure.value);
  const top = Math.max(...all);
  const bottom = Math.min(...all);
  const y = (mm: number) => EDGE + ((top - mm) / (top - bottom || 1)) * (TALL - 2 * EDGE);
  const zone = (x: number, low: number, high: number, look: string) => (
    <rect x={x} y={y(high)} width={92} height={Math.max(y(low) - y(high), 3)} className={look} strokeWidth={1.5} />
  );
  const label = (x: number, at: number, text: string, anchor: 'start' | 'end', down: number) => (
    <text x={x} y={y(at) + down} textAnchor={anchor} className="figures fill-ink text-[15px] font-semibold">
      {text}
    </text>
  );
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${TALL}`}
      role="img"
      aria-label={`Hole ${hl.shown} to ${hh.shown}, shaft ${sl.shown} to ${sh.shown} ${hl.unit}`}
      className="w-full">
      <line x1={20} x2={WIDE - 20} y1={y(nominal.value)} y2={y(nominal.value)} className="stroke-ink" strokeWidth={2} />
      <text x={WIDE / 2} y={y(nominal.value) + 17} textAnchor="middle" className="fill-soft text-[14px]">
        nominal {nominal.shown}
      </text>
      {zone(64, hl.value, hh.value, 'fill-mark-wash stroke-mark')}
      {zone(264, sl.value, sh.value, 'fill-straw stroke-straw-edge')}
      <text x={110} y={18} textAnchor="middle" className="fill-ink text-[15px] font-semibold">
        hole
      </text>
      <text x={310} y={18} textAnchor="middle" className="fill-ink text-[15px] font-semibold">
        shaft
      </text>
      {label(160, hh.value, hh.shown, 'start', 12)}
      {label(160, hl.value, hl.shown, 'start', -2)}
      {label(360, sh.value, sh.shown, 'start', 12)}
      {label(360, sl.value, sl.shown, 'start', -2)}
    </svg>
  );
}
