interface Props {
  label: string;
  pitch: number;
  /** Angle between the flanks, degrees. */
  angle: number;
  /** Effective diameter, outside diameter, and the wire. */
  effective: number;
  major: number;
  wire: number;
}

const WIDE = 380;
const TALL = 220;

/** One groove of a thread with its wire in it, and the micrometer's face above, to scale. */
export function WireInThread({ label, pitch, angle, effective, major, wire }: Props) {
  const half = ((angle / 2) * Math.PI) / 180;
  const apex = effective / 2 - pitch / (4 * Math.tan(half));
  const middle = apex + wire / 2 / Math.sin(half);
  const top = middle + wire / 2;
  const bottom = effective / 2 - 0.35 * pitch;
  const scale = Math.min((TALL - 40) / (top - bottom), WIDE / (2.2 * pitch));
  const x = (along: number) => WIDE / 2 + along * scale;
  const y = (out: number) => 24 + (top - out) * scale;
  const mouth = (major / 2 - apex) * Math.tan(half);
  const floor = (bottom - apex) * Math.tan(half);
  const side = (at: number) =>
    `L${x(at - mouth)} ${y(major / 2)}L${x(at - floor)} ${y(bottom)}H${x(at + floor)}L${x(at + mouth)} ${y(major / 2)}`;
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL}`} role="img" aria-label={label} className="w-full">
      <path
        d={`M${x(-1.1 * pitch)} ${TALL - 6}V${y(major / 2)}${side(0)}H${x(1.1 * pitch)}V${TALL - 6}Z`}
        className="fill-mark-wash stroke-mark"
        strokeWidth={2}
      />
      <path
        d={`M${x(-1.1 * pitch)} ${y(effective / 2)}H${x(1.1 * pitch)}`}
        className="stroke-ink"
        strokeWidth={1}
        strokeDasharray="8 4"
      />
      <circle
        cx={x(0)}
        cy={y(middle)}
        r={(wire / 2) * scale}
        className="fill-straw stroke-straw-edge"
        strokeWidth={2}
      />
      <path d={`M40 ${y(top)}H${WIDE - 40}`} className="stroke-ink" strokeWidth={5} />
    </svg>
  );
}
