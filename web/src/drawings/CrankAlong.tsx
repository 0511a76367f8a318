interface Props {
  label: string;
  throw_: number;
  main: number;
  pin: number;
  gap: number;
  thick: number;
  /** The bar a solid one comes out of. */
  bar?: number | undefined;
}

const WIDE = 420;
const TALL = 250;

/** A crankshaft of one throw, seen from the side, to scale: journals, webs and crankpin. */
export function CrankAlong({ label, throw_, main, pin, gap, thick, bar }: Props) {
  const end = Math.max(gap + thick, main) * 1.1;
  const long = gap + 2 * thick + 2 * end;
  const up = throw_ + pin / 2 + Math.max(pin * 0.3, 1);
  const down = Math.max(main / 2 + Math.max(main * 0.3, 1), (bar ?? 0) / 2);
  const top = Math.max(up, (bar ?? 0) / 2);
  const scale = Math.min((WIDE - 24) / long, (TALL - 24) / (top + down));
  const x = (mm: number) => (WIDE - long * scale) / 2 + mm * scale;
  const y = (mm: number) => 12 + (top - mm) * scale;
  const box = (from: number, to: number, low: number, high: number) => ({
    x: x(from),
    y: y(high),
    width: (to - from) * scale,
    height: (high - low) * scale,
  });
  const webLow = -main / 2 - Math.max(main * 0.3, 1);
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL}`} role="img" aria-label={label} className="w-full">
      {bar && (
        <rect
          {...box(0, long, -bar / 2, bar / 2)}
          className="fill-none stroke-ink"
          strokeWidth={1.2}
          strokeDasharray="6 5"
        />
      )}
      <rect {...box(0, end, -main / 2, main / 2)} className="fill-mark-wash stroke-mark" strokeWidth={2} />
      <rect {...box(long - end, long, -main / 2, main / 2)} className="fill-mark-wash stroke-mark" strokeWidth={2} />
      <rect
        {...box(end + thick, end + thick + gap, throw_ - pin / 2, throw_ + pin / 2)}
        className="fill-straw stroke-straw-edge"
        strokeWidth={2}
      />
      <rect {...box(end, end + thick, webLow, up)} className="fill-mark-wash stroke-mark" strokeWidth={2} />
      <rect
        {...box(end + thick + gap, end + 2 * thick + gap, webLow, up)}
        className="fill-mark-wash stroke-mark"
        strokeWidth={2}
      />
      <path d={`M4 ${y(0)}H${WIDE - 4}`} className="stroke-ink" strokeWidth={1} strokeDasharray="10 3 2 3" />
      <path
        d={`M${x(end + thick - 6)} ${y(throw_)}H${x(end + thick + gap + 6)}`}
        className="stroke-ink"
        strokeWidth={1}
        strokeDasharray="10 3 2 3"
      />
    </svg>
  );
}
