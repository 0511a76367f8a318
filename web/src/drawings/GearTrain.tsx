interface Props {
  label: string;
  /** Teeth: spindle's and stud's drivers; what each drives. */
  drivers: number[];
  driven: number[];
}

const WIDE = 420;
const TALL = 260;

/** A train of change wheels, seen on its face, to scale: spindle, stud, leadscrew. */
export function GearTrain({ label, drivers, driven }: Props) {
  const simple = drivers.length === 1;
  // An idler of a middling size stands for any, where one is needed.
  const idler = 40;
  const [a, c = 0] = drivers as [number, number?];
  const [b, d = 0] = driven as [number, number?];
  const places = simple
    ? [0, (a + idler) / 2, (a + idler) / 2 + (idler + b) / 2]
    : [0, (a + b) / 2, (a + b) / 2 + (c + d) / 2];
  const long = places[2]! + a / 2 + (simple ? b : d) / 2;
  const tall = Math.max(a, simple ? idler : Math.max(b, c), simple ? b : d);
  const scale = Math.min((WIDE - 16) / long, (TALL - 60) / tall);
  const left = (WIDE - long * scale) / 2 + (a / 2) * scale;
  const x = (at: number) => left + places[at]! * scale;
  const y = 24 + (tall / 2) * scale;
  const wheels = simple
    ? [
        { at: 0, teeth: a, look: DRIVES },
        { at: 1, teeth: idler, look: IDLES },
        { at: 2, teeth: b, look: DRIVEN },
      ]
    : [
        { at: 0, teeth: a, look: DRIVES },
        { at: 1, teeth: Math.max(b, c), look: b > c ? DRIVEN : DRIVES },
        { at: 1, teeth: Math.min(b, c), look: b > c ? DRIVES : DRIVEN },
        { at: 2, teeth: d, look: DRIVEN },
      ];
  return (
    <svg viewBox={`0 0 ${WIDE} ${TALL}`} role="img" aria-label={label} className="w-full">
      {wheels.map(({ at, teeth, look }, n) => (
        <circle key={n} cx={x(at)} cy={y} r={(teeth / 2) * scale} className={look} strokeWidth={2} />
      ))}
      {[0, 1, 2].map((at) => (
        <g key={at}>
          <path d={`M${x(at) - 6} ${y}h12M${x(at)} ${y - 6}v12`} className="stroke-ink" strokeWidth={1.5} />
          <text x={x(at)} y={TALL - 22} textAnchor="middle" className="fill-soft text-[15px]">
            {['spindle', simple ? 'idler' : 'stud', 'leadscrew'][at]}
          </text>
          <text x={x(at)} y={TALL - 4} textAnchor="middle" className="figures fill-ink text-[17px] font-semibold">
            {[a, simple ? 'any' : `${b}, ${c}`, simple ? b : d][at]}
          </text>
        </g>
      ))}
    </svg>
  );
}

const DRIVES = 'fill-straw stroke-straw-edge';
const DRIVEN = 'fill-mark-wash stroke-mark';
const IDLES = 'fill-none stroke-soft';
