import type { Schemas } from '../api/client';

type Answer = Schemas['RingAnswerWire'];

const R = 56;

/** A ring free, going over its piston, and closed in its bore; rings and gaps to one scale. */
export function Ring({ answer }: { answer: Answer }) {
  const bore = answer.bore_mm.value;
  const scale = R / (bore / 2);
  const radial = answer.radial_mm.value;
  const free = bore / 2 + answer.free_gap_mm.value / (2 * Math.PI);
  // Over the piston its inside is as large as the bore.
  const open = bore / 2 + radial;
  const opened = answer.closed_gap_mm.value + answer.strip_mm.value;
  return (
    <svg
      viewBox="0 0 440 220"
      role="img"
      aria-label={`Ring ${answer.radial_mm.shown} thick, gap ${answer.free_gap_mm.shown} free and ${answer.closed_gap_mm.shown} in the bore`}
      className="w-full">
      <Split x={74} y={92} r={free * scale} thick={radial * scale} gap={answer.free_gap_mm.value / free} />
      <circle cx={222} cy={92} r={R - 1} className="fill-none stroke-ink" strokeWidth={1} strokeDasharray="5 4" />
      <Split x={222} y={92} r={open * scale} thick={radial * scale} gap={opened / open} />
      <circle cx={366} cy={92} r={R + 2} className="fill-none stroke-ink" strokeWidth={2} />
      <Split x={366} y={92} r={R} thick={radial * scale} gap={answer.closed_gap_mm.value / (bore / 2)} />
      <Label x={74} name="free" shown={`${answer.free_gap_mm.shown} ${answer.free_gap_mm.unit} gap`} />
      <Label x={222} name="over its piston" shown={`${answer.strip_mm.shown} ${answer.strip_mm.unit} wider`} />
      <Label x={366} name="in the bore" shown={`${answer.closed_gap_mm.shown} ${answer.closed_gap_mm.unit} gap`} />
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
      <text x={x} y={188} textAnchor="middle" className="fill-ink text-[16px] font-semibold">
        {name}
      </text>
      <text x={x} y={209} textAnchor="middle" className="figures fill-soft text-[15px]">
        {shown}
      </text>
    </>
  );
}
