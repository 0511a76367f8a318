import type { Schemas } from '../api/client';

type Answer = Schemas['AngledAnswerWire'];

const WIDE = 380;
const EDGE = 26;

/** An angled passage in section, to scale: where it starts, where it comes out, the wall left. */
export function Passage({ answer }: { answer: Answer }) {
  const across = answer.across_mm.value;
  const half = answer.drill_mm.value / 2;
  const along = answer.along_mm.value;
  const angle = (answer.angle_deg.value * Math.PI) / 180;
  const before = Math.max(half * 3, across * 0.3);
  const after = answer.room_mm?.value ?? along + Math.max(half * 4, across * 0.4);
  const scale = Math.min((WIDE - 2 * EDGE) / (before + after), 260 / across);
  const x = (mm: number) => EDGE + (before + mm) * scale;
  const y = (mm: number) => EDGE + mm * scale;
  const mouth = half / Math.cos(angle);
  const tall = y(across) + EDGE + 14;
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${tall}`}
      role="img"
      aria-label={`A passage at ${answer.angle_deg.shown} degrees through ${answer.across_mm.shown}, coming out ${answer.along_mm.shown} along`}
      className="w-full">
      <rect
        x={x(-before)}
        y={y(0)}
        width={(before + after) * scale}
        height={across * scale}
        className="fill-line stroke-ink"
        strokeWidth="1.5"
        fillOpacity="0.55"
      />
      <path
        d={`M${x(-mouth)} ${y(0)}L${x(along - mouth)} ${y(across)}H${x(along + mouth)}L${x(mouth)} ${y(0)}Z`}
        className="fill-card stroke-ink"
        strokeWidth="2"
      />
      <path d={`M${x(0)} ${y(0) - 18}V${y(across) + 10}`} className="stroke-soft" strokeDasharray="4 4" />
      <path
        d={`M${x(0)} ${y(0)}L${x(along)} ${y(across)}`}
        className="stroke-mark"
        strokeDasharray="14 4 3 4"
        strokeWidth="1.4"
      />
      <text x={x(along / 2)} y={y(across) + 22} textAnchor="middle" className="figures fill-mark text-[15px]">
        {answer.along_mm.shown} along
      </text>
      {answer.wall_mm && (
        <text x={x(after) - 4} y={y(across) - 8} textAnchor="end" className="figures fill-ink text-[15px]">
          wall {answer.wall_mm.shown}
        </text>
      )}
    </svg>
  );
}
