interface Props {
  label: string;
  /** Where the leading edge of the tool is, from the beginning of the thread. */
  at: number;
  long: number;
  groove: number;
  tool: number;
  runIn: number;
  pitch: number;
  /** Whether the half-nuts hold the leadscrew. */
  closed: boolean;
}

const WIDE = 640;
const TALL = 150;
const SCREW = 22;
const AXIS = 66;
const OUTSIDE = 46;
const ROOT = 34;

/** The work with its thread, its groove and its shoulder, the tool somewhere along it: to scale along. */
export function GrooveRun({ label, at, long, groove, tool, runIn, pitch, closed }: Props) {
  // The tool waits whole beside the work before it starts.
  const before = runIn + tool;
  const whole = before + long + groove + 8;
  const scale = WIDE / whole;
  // The chuck is on the left, as one stands before it: the tool goes towards it.
  const x = (mm: number) => WIDE - (before + mm) * scale;
  const turns = Array.from({ length: Math.floor(long / pitch) }, (_, n) => x(n * pitch));
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL + 2 * SCREW}`} role="img" aria-label={label} className="max-h-64 w-full">
      <rect
        x={0}
        y={AXIS - OUTSIDE - 14}
        width={x(long + groove)}
        height={2 * (OUTSIDE + 14)}
        className="fill-mark-wash stroke-mark"
        strokeWidth={2}
      />
      <rect
        x={x(long + groove)}
        y={AXIS - ROOT}
        width={groove * scale}
        height={2 * ROOT}
        className="fill-card stroke-mark"
        strokeWidth={2}
      />
      <rect
        x={x(long)}
        y={AXIS - OUTSIDE}
        width={long * scale}
        height={2 * OUTSIDE}
        className="fill-mark-wash stroke-mark"
        strokeWidth={2}
      />
      {turns.map((to) => (
        <path
          key={to}
          d={`M${to} ${AXIS - OUTSIDE}L${to - (pitch * scale) / 2} ${AXIS + OUTSIDE}`}
          className="stroke-mark"
          strokeWidth={1.5}
        />
      ))}
      <path d={`M0 ${AXIS}H${WIDE}`} className="stroke-ink" strokeWidth={1} strokeDasharray="10 3 2 3" />
      <path
        data-part="tool"
        d={`M${x(at)} ${AXIS + ROOT + 4}h${tool * scale}V${TALL}h${-tool * scale}Z`}
        className="fill-ink"
      />
      <Leadscrew x={Math.min(Math.max(x(at), 0), WIDE - 90)} closed={closed} />
    </svg>
  );
}

/** The leadscrew and the two halves of the nut, round it or apart, with the lever that moves them. */
function Leadscrew({ x, closed }: { x: number; closed: boolean }) {
  const y = TALL + SCREW;
  const gap = closed ? 5 : 12;
  return (
    <g data-part="half-nuts" data-closed={closed}>
      <path d={`M0 ${y - 5}H${WIDE}V${y + 5}H0Z`} className="fill-line stroke-ink" strokeWidth={1} />
      {Array.from({ length: WIDE / 10 }, (_, n) => (
        <path key={n} d={`M${n * 10} ${y - 5}l4 10`} className="stroke-ink" strokeWidth={1} />
      ))}
      <path
        d={`M${x} ${y - gap}h36v-7h-36z M${x} ${y + gap}h36v7h-36z`}
        className={closed ? 'fill-mark stroke-mark' : 'fill-card stroke-ink'}
        strokeWidth={1.5}
      />
      <path
        d={closed ? `M${x + 44} ${y}l22 16` : `M${x + 44} ${y}l22 -16`}
        className="stroke-ink"
        strokeWidth={5}
        strokeLinecap="round"
      />
      <circle cx={x + 44} cy={y} r={5} className="fill-ink" />
    </g>
  );
}
