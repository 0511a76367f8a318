import { useQuery, keepPreviousData } from '@tanstack/react-query';
import { useState } from 'react';
import { type Schemas, call } from '../api/client';
import type { Extras, Given } from '../house';
import { length } from '../parts/lengths';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['WarmReply'];
type Shape = Schemas['WarmingShape'];
type Fit = Extract<Reply['answer'], { tag: 'fit' }>;

const WIDE = 420;
const TALL = 300;
const EDGE = 34;

/** Hole and shaft as they grow, moved from cold to hot by a slider: one sweep, no asking again. */
function Warming({ reply: { answer }, typed, unit, stale }: Given<Reply>) {
  const sweep = useQuery({
    queryKey: ['warming', typed, unit],
    queryFn: ({ signal }) => call<Shape>('POST', '/calc/warm/warming', { ...typed, unit }, signal),
    placeholderData: keepPreviousData,
    enabled: !stale && isFit(answer),
  });
  const [step, setStep] = useState<number>();
  if (!isFit(answer) || !sweep.data) return null;
  const last = sweep.data.clearance_mm.length - 1;
  const at = Math.min(step ?? last, last);
  const shown = (mm: number) => length(mm, unit, 3);
  const free = sweep.data.clearance_mm[at]!;
  const says = free < 0 ? `${shown(-free)} tight` : `${shown(free)} free`;
  return (
    <Drawn title="From cold to hot, to scale">
      <Bars shape={sweep.data} at={at} />
      <label className="block">
        <span className="flex flex-wrap justify-between gap-x-4 text-lg">
          <span>
            hole {degrees(sweep.data.hole_c[at]!)}, shaft {degrees(sweep.data.shaft_c[at]!)}
          </span>
          <b className={`figures ${free < 0 ? 'text-stop-ink' : ''}`}>{says}</b>
        </span>
        <span className="sr-only">How warm they are</span>
        <input
          type="range"
          min={0}
          max={last}
          value={at}
          aria-valuetext={says}
          onChange={(event) => setStep(Number(event.target.value))}
          className="h-11 w-full accent-mark"
        />
        <span className="flex justify-between text-soft">
          <span>cold</span>
          <span>at work</span>
        </span>
      </label>
    </Drawn>
  );
}

function isFit(answer: Reply['answer']): answer is Fit {
  return answer.tag === 'fit';
}

const degrees = (c: number) => `${Math.round(c)} °C (${Math.round(c * 1.8 + 32)} °F)`;

/** Both diameters over one foot: what the hole stands higher is what stays free. */
function Bars({ shape, at }: { shape: Shape; at: number }) {
  const every = [...shape.hole_mm, ...shape.shaft_mm];
  const top = Math.max(...every);
  const bottom = Math.min(...every);
  const pad = (top - bottom || 0.01) * 0.25;
  const y = (mm: number) => EDGE + ((top - mm) / (top - bottom + pad || 1)) * (TALL - EDGE);
  const bar = (x: number, sizes: number[], name: string, look: string) => (
    <g>
      <text x={x + 60} y={20} textAnchor="middle" className="fill-ink text-[15px] font-semibold">
        {name}
      </text>
      <rect x={x} y={y(sizes[at]!)} width={120} height={TALL - y(sizes[at]!)} className={look} strokeWidth={2} />
      <path d={`M${x - 8} ${y(sizes[0]!)}h136`} className="stroke-ink" strokeWidth={1.5} strokeDasharray="5 4" />
      <text x={x + 132} y={y(sizes[0]!) + 5} className="fill-soft text-[14px]">
        cold
      </text>
    </g>
  );
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL}`} role="img" aria-label="How far hole and shaft have grown" className="w-full">
      {bar(40, shape.hole_mm, 'hole', 'fill-mark-wash stroke-mark')}
      {bar(232, shape.shaft_mm, 'shaft', 'fill-straw stroke-straw-edge')}
    </svg>
  );
}

export default { side: Warming } satisfies Extras<Reply>;
