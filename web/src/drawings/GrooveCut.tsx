interface Props {
  label: string;
  /** Groove, from the wall of the other part: deep, and wide. */
  deep: number;
  wide: number;
  /** Section of the ring in it, and how far the two parts stand apart. */
  section: number;
  clear: number;
}

const WIDE = 380;
const TALL = 230;

/** An O-ring squeezed in its groove, cut through, to scale. */
export function GrooveCut({ label, deep, wide, section, clear }: Props) {
  const scale = Math.min((WIDE - 120) / wide, (TALL - 90) / deep);
  const gap = (clear / 2) * scale;
  const top = 40;
  const [left, right] = [WIDE / 2 - (wide / 2) * scale, WIDE / 2 + (wide / 2) * scale];
  const floor = top + deep * scale;
  // What its height loses its width gains: rubber does not shrink.
  const across = ((section * section) / deep) * scale;
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL}`} role="img" aria-label={label} className="w-full">
      <rect
        x={10}
        y={8}
        width={WIDE - 20}
        height={top - 8}
        className="fill-straw stroke-straw-edge"
        strokeWidth={1.5}
      />
      <path
        d={`M10 ${top + gap}H${left}V${floor}H${right}V${top + gap}H${WIDE - 10}V${TALL - 8}H10Z`}
        className="fill-mark-wash stroke-mark"
        strokeWidth={2}
      />
      <rect
        x={WIDE / 2 - across / 2}
        y={top}
        width={across}
        height={deep * scale}
        rx={(deep * scale) / 2}
        className="fill-ink"
        fillOpacity={0.75}
      />
    </svg>
  );
}
