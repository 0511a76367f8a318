import type { Cut, Plan } from '../api/cuts';

interface Stair {
  size: number;
  from: number;
  label: string;
  measured: boolean;
  expected?: number;
}

interface Props {
  start: number;
  plan: Plan;
  readings: Cut['readings'];
  made: number;
}

const WIDE = 400;
const LEFT = 76;
const RIGHT = 12;

/** Every pass as a step to scale: measured ones solid, those to come open, the limits as a band. */
export function Staircase({ start, plan, readings, made }: Props) {
  const stairs = stairsOf(start, plan, readings, made);
  const low = plan.low_mm.value;
  const high = plan.high_mm.value;
  const sizes = [start, low, high, ...stairs.map((s) => s.size)];
  const close = closeUp(stairs, low, high, start);
  return (
    <figure className="space-y-3">
      <figcaption className="flex flex-wrap items-baseline justify-between gap-x-4">
        <span className="text-xl font-semibold">Metal left, to scale</span>
        <span className="text-soft">solid: measured · open: to come</span>
      </figcaption>
      <Steps
        name={`From ${start.toFixed(2)} mm in ${stairs.length} steps; limits ${low.toFixed(3)} to ${high.toFixed(3)} mm`}
        stairs={stairs}
        low={low}
        high={high}
        range={padded(Math.min(...sizes), Math.max(...sizes))}
        height={220}
      />
      {close && (
        <>
          <p className="text-soft">The last of it, {close.times} times larger</p>
          <Steps
            name="The last steps close up"
            stairs={stairs}
            low={low}
            high={high}
            range={close.range}
            height={190}
          />
        </>
      )}
    </figure>
  );
}

function stairsOf(start: number, plan: Plan, readings: Cut['readings'], made: number): Stair[] {
  const stairs: Stair[] = [];
  let from = start;
  for (const one of readings) {
    // Only the last readings are sent: the first of them then starts where it was before.
    const began = stairs.length === 0 ? one.size_mm + (one.took_mm || 0) * grows(plan) : from;
    stairs.push({
      size: one.size_mm,
      from: began,
      label: one.kind,
      // How its mate went on is a judgement, no size.
      measured: !one.tried,
      expected: one.tried ? undefined : one.size_mm - one.off_mm,
    });
    from = one.size_mm;
  }
  if (made > 0) {
    stairs.push({ size: plan.now_mm.value, from, label: 'not measured', measured: false });
    from = plan.now_mm.value;
  }
  for (const pass of plan.passes) {
    stairs.push({ size: pass.to_mm.value, from, label: pass.kind, measured: false });
    from = pass.to_mm.value;
  }
  return stairs;
}

/** 1 where the size shrinks as metal goes, -1 where it grows: a bore, a slot. */
function grows(plan: Plan): number {
  const first = plan.passes[0];
  return first && first.to_mm.value > plan.now_mm.value ? -1 : 1;
}

function padded(low: number, high: number): [number, number] {
  const room = (high - low) * 0.08 || 0.1;
  return [low - room, high + room];
}

function closeUp(stairs: Stair[], low: number, high: number, start: number) {
  const middle = (low + high) / 2;
  const whole = Math.abs(start - middle);
  const near = stairs.map((s) => s.size).filter((size) => Math.abs(size - middle) < whole / 4);
  const room = (high - low) / 2;
  const range = padded(Math.min(...near, low - room), Math.max(...near, high + room));
  const times = whole / (range[1] - range[0]);
  return near.length > 0 && times > 1.5 ? { range, times: times.toFixed(0) } : null;
}

interface StepsProps {
  name: string;
  stairs: Stair[];
  low: number;
  high: number;
  range: [number, number];
  height: number;
}

function Steps({ name, stairs, low, high, range, height }: StepsProps) {
  const [bottom, top] = range;
  const y = (size: number) => 8 + ((top - Math.min(Math.max(size, bottom), top)) / (top - bottom)) * (height - 16);
  const step = (WIDE - LEFT - RIGHT) / Math.max(stairs.length, 1);
  const inside = (size: number) => size >= bottom && size <= top;
  return (
    <svg viewBox={`0 0 ${WIDE} ${height}`} role="img" aria-label={name} className="w-full">
      <rect
        x={LEFT}
        width={WIDE - LEFT - RIGHT}
        y={y(high)}
        height={Math.max(y(low) - y(high), 2)}
        className="fill-mark opacity-30"
      />
      <Limit at={y(high) - 4} size={high} />
      <Limit at={y(low) + 15} size={low} />
      {stairs.map((stair, n) => {
        const x = LEFT + n * step;
        return (
          <g key={n}>
            <path
              d={`M${x} ${y(stair.from)} V${y(stair.size)} H${x + step}`}
              fill="none"
              strokeWidth={stair.measured ? 4 : 2}
              strokeDasharray={stair.measured ? undefined : '5 4'}
              className="stroke-ink"
            />
            {stair.expected !== undefined && inside(stair.expected) && (
              <path
                d={`M${x + 2} ${y(stair.expected)} h${step - 4}`}
                strokeWidth={1.5}
                strokeDasharray="2 3"
                className="stroke-soft"
              />
            )}
            {inside(stair.size) &&
              step > 34 &&
              Math.abs(y(stair.size) - y(low)) > 14 &&
              Math.abs(y(stair.size) - y(high)) > 14 && (
                <text
                  x={x + step / 2}
                  y={y(stair.size) - 6}
                  textAnchor="middle"
                  className="figures fill-ink text-[14px]">
                  {stair.size.toFixed(2)}
                </text>
              )}
          </g>
        );
      })}
    </svg>
  );
}

/** A limit's size, outside the band so that the two never lie on each other. */
function Limit({ at, size }: { at: number; size: number }) {
  return (
    <text x={LEFT - 6} y={at} textAnchor="end" className="figures fill-mark text-[15px]">
      {size.toFixed(3)}
    </text>
  );
}
