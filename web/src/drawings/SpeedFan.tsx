import type { Fan } from '../api/queries';

const [WIDE, TALL] = [470, 400];
const BOX = { left: 54, right: 456, top: 14, bottom: 352 };
const APART = 17;
const TICKS = [1, 2, 5, 10, 20, 50, 100, 200];

interface Props {
  fan: Fan;
  machine: string;
  diameter: number;
  wants: number;
  set: number;
}

/** Where this cut sits among the speeds of the machine, over diameter; both ways logarithmic. */
export function SpeedFan({ fan, machine, diameter, wants, set }: Props) {
  const first = fan.diameters_mm[0] ?? 1;
  const last = fan.diameters_mm.at(-1) ?? 100;
  const speeds = fan.steps.length > 0 ? fan.steps.map((s) => s.rpm) : fan.set_rpm;
  const low = Math.min(...speeds) / 1.35;
  const high = Math.max(...speeds) * 1.35;
  const across = (d: number) => BOX.left + ((BOX.right - BOX.left) * Math.log(d / first)) / Math.log(last / first);
  const up = (rpm: number) => BOX.bottom - ((BOX.bottom - BOX.top) * Math.log(rpm / low)) / Math.log(high / low);
  const within = (rpm: number) => Math.min(Math.max(rpm, low), high);
  const line = (ys: number[]) =>
    fan.diameters_mm.map((d, i) => `${across(d).toFixed(1)},${up(ys[i] ?? low).toFixed(1)}`);
  const band = [...line(fan.high_rpm), ...line(fan.low_rpm).reverse()].join(' ');
  const labels = spaced(fan.steps.map((s) => ({ rpm: s.rpm, y: up(s.rpm) })));
  const x = across(diameter);
  const wantsY = up(within(wants));
  const setY = up(set);
  const leftward = x > (BOX.left + BOX.right) / 2;
  return (
    <figure>
      <figcaption className="mb-1 font-semibold">Where that sits on the {machine.toLowerCase()}</figcaption>
      <svg
        viewBox={`0 0 ${WIDE} ${TALL}`}
        className="w-full"
        role="img"
        aria-label={`At ${diameter.toFixed(1)} millimetres the metal wants ${wants.toFixed(0)} revolutions a minute and the machine is set to ${set.toFixed(0)}`}
        fontSize={14}>
        <clipPath id="fan-box">
          <rect x={BOX.left} y={BOX.top} width={BOX.right - BOX.left} height={BOX.bottom - BOX.top} />
        </clipPath>
        <g clipPath="url(#fan-box)">
          <polygon points={band} fill="var(--mark-wash)" />
        </g>
        {fan.steps.map((step) => (
          <line
            key={step.position}
            x1={BOX.left}
            x2={BOX.right}
            y1={up(step.rpm)}
            y2={up(step.rpm)}
            stroke={step.rpm === set ? 'var(--strong)' : 'var(--line)'}
            strokeWidth={step.rpm === set ? 2.5 : 1.2}
          />
        ))}
        {labels.map(({ rpm, y }) => (
          <text
            key={rpm}
            x={BOX.left - 6}
            y={y + 5}
            textAnchor="end"
            className="figures"
            fontWeight={rpm === set ? 700 : 400}
            fill={rpm === set ? 'var(--ink)' : 'var(--soft)'}>
            {rpm.toFixed(0)}
          </text>
        ))}
        {TICKS.filter((d) => d >= first && d <= last).map((d) => (
          <g key={d}>
            <line x1={across(d)} x2={across(d)} y1={BOX.bottom} y2={BOX.bottom + 6} stroke="var(--soft)" />
            <text x={across(d)} y={BOX.bottom + 22} textAnchor="middle" className="figures" fill="var(--soft)">
              {d}
            </text>
          </g>
        ))}
        <text x={BOX.right} y={TALL - 6} textAnchor="end" fontSize={15} fill="var(--soft)">
          diameter, mm
        </text>
        <g clipPath="url(#fan-box)">
          <polyline
            points={line(fan.wants_rpm).join(' ')}
            fill="none"
            stroke="var(--mark)"
            strokeWidth={2}
            strokeDasharray="7 5"
          />
        </g>
        <line x1={x} x2={x} y1={wantsY} y2={setY} stroke="var(--mark)" strokeWidth={2} />
        <circle cx={x} cy={wantsY} r={5} fill="var(--card)" stroke="var(--mark)" strokeWidth={2} />
        <circle cx={x} cy={setY} r={8} fill="var(--mark)" />
        <Label x={x} y={wantsY + (wantsY <= setY ? -10 : 20)} left={leftward} text={`wants ${wants.toFixed(0)}`} />
        <Label x={x} y={setY + (wantsY <= setY ? 24 : -12)} left={leftward} text={`set ${set.toFixed(0)}`} bold />
      </svg>
    </figure>
  );
}

function Label(props: { x: number; y: number; left: boolean; text: string; bold?: boolean }) {
  const y = Math.min(Math.max(props.y, BOX.top + 12), BOX.bottom - 4);
  return (
    <text
      x={props.x + (props.left ? -10 : 10)}
      y={y}
      textAnchor={props.left ? 'end' : 'start'}
      fontSize={16}
      fontWeight={props.bold ? 600 : 400}
      fill="var(--ink)"
      stroke="var(--card)"
      strokeWidth={4}
      paintOrder="stroke">
      {props.text}
    </text>
  );
}

/** Labels pushed apart, so that 245 and 290 can both be read. */
function spaced(labels: { rpm: number; y: number }[]): { rpm: number; y: number }[] {
  const unique = [...new Map(labels.map((l) => [l.rpm, l])).values()].sort((a, b) => b.y - a.y);
  for (let i = 1; i < unique.length; i++) {
    const [below, here] = [unique[i - 1]!, unique[i]!];
    const gap = below.y - here.y;
    if (gap < APART) {
      below.y += (APART - gap) / 2;
      here.y -= (APART - gap) / 2;
    }
  }
  return unique;
}
