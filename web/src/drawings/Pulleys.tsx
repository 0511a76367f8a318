import type { MachineOut } from '../api/queries';

const WIDE = 250;
const STEP = 27;
const LARGEST = 100;

/** The machine's own cones to scale, with the belt on the step to set. */
export function Pulleys({ machine, mark }: { machine: MachineOut; mark: string }) {
  const pairs = machine.pulleys;
  if (pairs.length === 0) return null;
  const most = Math.max(...pairs.flatMap((p) => [p.driver_mm, p.driven_mm]));
  const scale = LARGEST / most;
  const tall = pairs.length * STEP;
  const at = pairs.findIndex((p) => p.position === mark);
  const [left, right] = [LARGEST / 2 + 5, WIDE - LARGEST / 2 - 5];
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${tall + 26}`}
      className="w-full max-w-64"
      role="img"
      aria-label={`The belt on step ${at + 1} of ${pairs.length}, counted from the top`}>
      {pairs.map((pair, index) => {
        const y = index * STEP + 2;
        const on = index === at;
        return (
          <g
            key={pair.position}
            fill={on ? 'var(--plate-ink)' : 'none'}
            stroke={on ? 'var(--plate-ink)' : 'var(--plate-line)'}
            strokeWidth={1.5}>
            <rect x={left - (pair.driver_mm * scale) / 2} y={y} width={pair.driver_mm * scale} height={STEP - 5} />
            <rect x={right - (pair.driven_mm * scale) / 2} y={y} width={pair.driven_mm * scale} height={STEP - 5} />
            {on && (
              <path
                d={`M${left} ${y + 4}H${right}M${left} ${y + STEP - 9}H${right}`}
                stroke="var(--belt)"
                strokeWidth={3.5}
              />
            )}
          </g>
        );
      })}
      <text x={left} y={tall + 18} textAnchor="middle" className="max-sm:hidden" fontSize={16} fill="var(--plate-soft)">
        motor side
      </text>
      <text
        x={right}
        y={tall + 18}
        textAnchor="middle"
        className="max-sm:hidden"
        fontSize={16}
        fill="var(--plate-soft)">
        spindle
      </text>
    </svg>
  );
}
