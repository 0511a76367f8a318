import type { Schemas } from '../api/client';

type HoleAnswer = Schemas['HoleAnswerWire'];
type HoleStep = Schemas['HoleStepWire'];

interface Props {
  answer: HoleAnswer;
  steps: HoleStep[];
  at: number;
  blind: boolean;
  pointDeg: number;
}

const WIDE = 380;
const TALL = 360;
const EDGE = 30;

interface Cut {
  half: number;
  deep: number;
  point: number;
}

/** The hole in section, to scale, as far as it has grown; the steps to come stand dashed. */
export function HoleSection({ answer, steps, at: step, blind, pointDeg }: Props) {
  const size = answer.size_mm.value;
  const largest = Math.max(size, answer.counterbore_mm?.value ?? 0);
  const deep = answer.deep_mm?.value ?? size * 2.5;
  const thick = blind ? (answer.thick_mm?.value ?? deep + size * 0.9) : deep;
  const across = largest * 2.4;
  const flat = steps.find((one) => one.kind === 'flat');
  const rise = flat && answer.slope_deg ? Math.tan((answer.slope_deg.value * Math.PI) / 180) : 0;
  const half = (flat?.mm.value ?? 0) / 2;
  // How far a sloping surface stands over the floor of its flat, at so far from the hole's line.
  const over = (x: number) => (half - x) * rise;
  const head = Math.max(0, over(-across / 2));
  const scale = Math.min((WIDE - 2 * EDGE) / across, (TALL - 2 * EDGE) / (thick + head));
  const middle = WIDE / 2;
  const top = EDGE + head * scale;
  const at = (x: number, y: number) => `${middle + x * scale} ${top - y * scale}`;
  const bottom = top + thick * scale;
  const cut = (made: HoleStep): Cut => {
    const pointed = blind && ['pilot', 'step', 'last'].includes(made.kind);
    const point = pointed ? made.mm.value / 2 / Math.tan((pointDeg * Math.PI) / 360) : 0;
    const reached = made.depth_mm ? Math.max(0, made.depth_mm.value - point) : deep;
    return {
      half: (made.mm.value / 2) * scale,
      deep: (made.kind === 'counterbore' ? (answer.seat_mm?.value ?? size / 3) : blind ? reached : thick) * scale,
      point: point * scale,
    };
  };
  const cutting = (step: HoleStep) => !['flat', 'spot', 'hone'].includes(step.kind);
  const done = steps.slice(0, step + 1).filter(cutting);
  const coming = steps.slice(step + 1).filter(cutting);
  const now = steps[step];
  return (
    <figure>
      <figcaption className="flex flex-wrap items-baseline justify-between gap-x-4">
        <span className="text-xl font-semibold">The hole so far, to scale</span>
        {!answer.deep_mm && <span className="text-soft">depth not said</span>}
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDE} ${TALL}`}
        role="img"
        aria-label={`Section of a ${size.toFixed(2)} mm hole after ${now?.name ?? 'nothing'}`}
        className="w-full">
        <defs>
          <pattern id="metal" width="14" height="14" patternUnits="userSpaceOnUse">
            <rect width="14" height="14" fill="var(--line)" opacity="0.55" />
            <path d="M2 10h5M9 4h3" stroke="var(--soft)" strokeWidth="1.2" opacity="0.6" />
          </pattern>
        </defs>
        <path
          d={`M${at(-across / 2, over(-across / 2))}L${at(-half, over(-half))}L${at(-half, 0)}L${at(half, 0)}L${at(across / 2, over(across / 2))}L${at(across / 2, -thick)}L${at(-across / 2, -thick)}Z`}
          fill="url(#metal)"
          stroke="var(--ink)"
          strokeWidth="1.5"
        />
        {done.map((step, n) => (
          <path
            key={n}
            d={outline(cut(step), middle, top)}
            fill="var(--card)"
            stroke="var(--ink)"
            strokeWidth={step === now ? 3 : 1}
          />
        ))}
        {coming.map((step, n) => (
          <path
            key={n}
            d={outline(cut(step), middle, top)}
            fill="none"
            stroke="var(--soft)"
            strokeDasharray="5 4"
            strokeWidth="1.5"
          />
        ))}
        {now?.kind === 'spot' && (
          <path d={`M${middle - 7} ${top} l7 8 l7 -8z`} fill="var(--card)" stroke="var(--ink)" strokeWidth="2" />
        )}
        {now?.kind === 'flat' && (
          <path
            d={`M${at(-half, over(-half))}L${at(-half, 0)}L${at(half, 0)}`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="3"
          />
        )}
        <path
          d={`M${middle} 8V${Math.min(bottom + 16, TALL - 4)}`}
          stroke="var(--mark)"
          strokeDasharray="14 4 3 4"
          strokeWidth="1.2"
        />
        {now && (
          <text
            x={middle}
            y={bottom + 24 > TALL - 4 ? TALL - 6 : bottom + 24}
            textAnchor="middle"
            className="figures fill-ink text-[15px]">
            ⌀ {now.mm.shown}
          </text>
        )}
        {answer.deep_mm && (
          <g className="stroke-mark" strokeWidth="1.5">
            <path
              d={`M${middle + (across / 2) * scale + 8} ${top}v${deep * scale}m-4 0h8M${middle + (across / 2) * scale + 4} ${top}h8`}
              fill="none"
            />
            <text
              x={middle + (across / 2) * scale + 6}
              y={top - 8}
              textAnchor="end"
              stroke="none"
              className="figures fill-mark text-[15px]">
              {answer.deep_mm.shown} deep
            </text>
          </g>
        )}
      </svg>
    </figure>
  );
}

function outline({ half, deep, point }: Cut, middle: number, top: number): string {
  return `M${middle - half} ${top}V${top + deep}L${middle} ${top + deep + point}L${middle + half} ${top + deep}V${top}Z`;
}
