import type { Schemas } from '../api/client';

type Answer = Schemas['RingAnswerWire'];

const R = 74;

/** A ring free, in its bore, and its section in the groove; ring and gap to one scale. */
export function Ring({ answer }: { answer: Answer }) {
  const bore = answer.bore_mm.value;
  const scale = R / (bore / 2);
  const radial = answer.radial_mm.value * scale;
  const free = bore / 2 + answer.free_gap_mm.value / (2 * Math.PI);
  return (
    <svg
      viewBox="0 0 420 250"
      role="img"
      aria-label={`Ring ${answer.radial_mm.shown} thick, gap ${answer.free_gap_mm.shown} free and ${answer.closed_gap_mm.shown} in the bore`}
      className="w-full">
      <Split x={105} y={112} r={free * scale} thick={radial} gap={answer.free_gap_mm.value / free} />
      <circle cx={310} cy={112} r={R + 2} className="fill-none stroke-ink" strokeWidth={2} />
      <Split x={310} y={112} r={R} thick={radial} gap={answer.closed_gap_mm.value / (bore / 2)} />
      <Label x={105} name="free" shown={`${answer.free_gap_mm.shown} ${answer.free_gap_mm.unit} gap`} />
      <Label x={310} name="in the bore" shown={`${answer.closed_gap_mm.shown} ${answer.closed_gap_mm.unit} gap`} />
    </svg>
  );
}

interface SplitProps {
  x: number;
  y: number;
  r: number;
  thick: number;
  /** How much of the turn is cut out, in radians. */
  gap: number;
}

function Split({ x, y, r, thick, gap }: SplitProps) {
  const half = Math.max(gap / 2, 0.01);
  const end = (radius: number, side: number) => `${x + radius * Math.sin(side * half)} ${y - radius * Math.cos(half)}`;
  const inner = r - thick;
  return (
    <path
      d={`M${end(r, 1)}A${r} ${r} 0 1 1 ${end(r, -1)}L${end(inner, -1)}A${inner} ${inner} 0 1 0 ${end(inner, 1)}Z`}
      className="fill-mark-wash stroke-mark"
      strokeWidth={1.5}
    />
  );
}

function Label({ x, name, shown }: { x: number; name: string; shown: string }) {
  return (
    <>
      <text x={x} y={218} textAnchor="middle" className="fill-ink text-[16px] font-semibold">
        {name}
      </text>
      <text x={x} y={240} textAnchor="middle" className="figures fill-soft text-[15px]">
        {shown}
      </text>
    </>
  );
}
