export interface Block {
  name: string;
  from: number;
  to: number;
  /** Its length, as the page writes it. */
  shown: string;
}

interface Props {
  label: string;
  /** Room between the two frames. */
  room: number;
  blocks: Block[];
  /** A line something is to lie on, from the left frame. */
  line?: number;
}

const WIDE = 420;
const LEFT = 14;
const SHAFT = 62;
const ROW = 22;

/** What sits along a shaft between two frames, to scale; each named underneath, in its order. */
export function AlongShaft({ label, room, blocks, line }: Props) {
  const end = Math.max(room, ...blocks.map((block) => block.to));
  const scale = (WIDE - 2 * LEFT) / (end || 1);
  const x = (mm: number) => LEFT + mm * scale;
  const shown = blocks.slice(0, 14);
  const tall = 128 + shown.length * ROW;
  return (
    <svg viewBox={`0 0 ${WIDE} ${tall}`} role="img" aria-label={label} className="w-full">
      <path d={`M4 ${SHAFT}H${WIDE - 4}`} className="stroke-soft" strokeWidth={6} />
      {blocks.map((block, n) => {
        const wide = Math.max((block.to - block.from) * scale, 1);
        const half = 16 + (n % 3) * 7;
        return (
          <g key={n}>
            <rect
              x={x(block.from)}
              y={SHAFT - half}
              width={wide}
              height={2 * half}
              className={block.to > room + 1e-6 ? 'fill-straw stroke-straw-edge' : 'fill-mark-wash stroke-mark'}
              strokeWidth={1.5}
            />
            {n < shown.length && wide > 12 && (
              <text
                x={x(block.from) + wide / 2}
                y={SHAFT + 5}
                textAnchor="middle"
                className="figures fill-ink text-[14px] font-semibold">
                {n + 1}
              </text>
            )}
          </g>
        );
      })}
      <path d={`M${x(0)} 14V110M${x(room)} 14V110`} className="stroke-ink" strokeWidth={4} />
      {line !== undefined && (
        <path d={`M${x(line)} 6V116`} className="stroke-ink" strokeWidth={1.5} strokeDasharray="8 3 2 3" />
      )}
      {shown.map((block, n) => (
        <text key={n} x={LEFT} y={136 + n * ROW} className="fill-ink text-[16px]">
          <tspan className="figures font-semibold">{n + 1}</tspan>
          <tspan dx="8">{block.name}</tspan>
          <tspan className="figures" x={WIDE / 2 + 40}>
            {block.shown}
          </tspan>
        </text>
      ))}
    </svg>
  );
}
