interface Props {
  label: string;
  /** Holes of the circle, or divisions of a dial. */
  circle: number;
  /** Spaces from the pin to the hole it goes to. */
  spaces: number;
  turns: number;
  /** A dial with lines, not a plate with holes. */
  dial?: boolean;
}

const SIZE = 360;
const MIDDLE = SIZE / 2;
const OUT = 140;
const DENSE = 120;

/** A plate's circle with the sector arms over the holes that are counted, or a dial with its mark. */
export function IndexPlate({ label, circle, spaces, turns, dial }: Props) {
  const at = (n: number, out: number) => {
    const angle = (2 * Math.PI * n) / circle - Math.PI / 2;
    return { x: MIDDLE + out * Math.cos(angle), y: MIDDLE + out * Math.sin(angle) };
  };
  const end = at(spaces, OUT + 18);
  const far = spaces / circle > 0.5 ? 1 : 0;
  const start = at(0, OUT + 18);
  const every = circle > DENSE ? 5 : 1;
  return (
    <svg viewBox={`0 0 ${SIZE} ${SIZE}`} role="img" aria-label={label} className="mx-auto block w-full max-w-96">
      <circle
        cx={MIDDLE}
        cy={MIDDLE}
        r={OUT + 26}
        className="fill-line stroke-ink"
        fillOpacity="0.45"
        strokeWidth="2"
      />
      {spaces > 0 && (
        <path
          d={`M${MIDDLE} ${MIDDLE}L${start.x} ${start.y}A${OUT + 18} ${OUT + 18} 0 ${far} 1 ${end.x} ${end.y}Z`}
          className="fill-mark-wash stroke-mark"
          strokeWidth="2"
        />
      )}
      {Array.from({ length: Math.ceil(circle / every) }, (_, k) => k * every).map((n) => {
        const counted = n <= spaces;
        if (dial) {
          const long = n % (every * 10) === 0;
          const [a, b] = [at(n, OUT + 24), at(n, OUT + (long ? 4 : 14))];
          return <path key={n} d={`M${a.x} ${a.y}L${b.x} ${b.y}`} className="stroke-ink" strokeWidth={long ? 2 : 1} />;
        }
        const { x, y } = at(n, OUT);
        return (
          <circle
            key={n}
            cx={x}
            cy={y}
            r={circle > 45 ? 4 : 5.5}
            className={`stroke-ink ${counted && spaces > 0 ? 'fill-mark' : 'fill-card'}`}
            strokeWidth="1.4"
          />
        );
      })}
      <circle cx={MIDDLE} cy={MIDDLE} r="46" className="fill-card stroke-ink" strokeWidth="1.5" />
      <text x={MIDDLE} y={MIDDLE - 2} textAnchor="middle" className="figures fill-ink text-[30px] font-bold">
        {turns}
      </text>
      <text x={MIDDLE} y={MIDDLE + 22} textAnchor="middle" className="fill-soft text-[16px]">
        {turns === 1 ? 'turn' : 'turns'}
      </text>
    </svg>
  );
}
