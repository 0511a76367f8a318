import { useEffect, useState } from 'react';

export interface AtWork {
  /** Outside, bore or thread. */
  shape: 'outside' | 'bore' | 'thread';
  /** How far from the size it began with to the size that is wanted, before the pass and after it. */
  from: number;
  to: number;
  /** Where the dial stands, in divisions; how many make a turn. */
  dial: number;
  perTurn: number;
  /** What the micrometer shows; null where it is not on. */
  reads: string | null;
  /** Changes with every pass: then the tool goes along once. */
  pass: number;
  label: string;
}

const WIDE = 640;
const TALL = 210;
const BESIDE = 408;
const AXIS = 96;
const [FACE, SHOULDER, CHUCK] = [356, 84, 44];
const [BAR, DEPTH] = [54, 15];
const [HOLE, WALL] = [26, 72];
const PASS_MS = 1200;

/** How far along the pass is, from nought to one; at its end at once where nothing is to move. */
function useSweep(pass: number): number {
  const [at, setAt] = useState({ pass, share: 1 });
  useEffect(() => {
    const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
    if (pass === 0 || still) return;
    const began = performance.now();
    let frame = requestAnimationFrame(function next(now) {
      const share = Math.min(Math.max((now - began) / PASS_MS, 0), 1);
      setAt({ pass, share });
      if (share < 1) frame = requestAnimationFrame(next);
    });
    return () => cancelAnimationFrame(frame);
  }, [pass]);
  return at.pass === pass ? at.share : 1;
}

/** The work in its chuck, the tool going along it, the dial as it stands and the micrometer as it reads. */
export function LatheAtWork({ shape, from, to, dial, perTurn, reads, pass, label }: AtWork) {
  const share = useSweep(pass);
  const x = FACE - share * (FACE - SHOULDER);
  const cuts = to !== from && share < 1;
  return (
    // Side by side where there is room; on a phone the dial stands under the work, as large as it.
    <div role="img" aria-label={label} data-share={share} className="flex flex-wrap items-center justify-center gap-2">
      <svg viewBox={`0 0 ${BESIDE} ${TALL}`} aria-hidden className="min-w-72 flex-[2]">
        <rect x={0} y={AXIS - 84} width={CHUCK} height={168} className="fill-line stroke-ink" strokeWidth={1.5} />
        <path d={`M${CHUCK} ${AXIS - 70}h22v16h-22z M${CHUCK} ${AXIS + 54}h22v16h-22z`} className="fill-soft" />
        {shape === 'bore' ? (
          <Bore x={x} before={HOLE + DEPTH * from} after={HOLE + DEPTH * to} />
        ) : (
          <Outside x={x} before={BAR - DEPTH * from} after={BAR - DEPTH * to} thread={shape === 'thread'} />
        )}
        <path d={`M8 ${AXIS}H${FACE + 40}`} className="stroke-ink" strokeWidth={0.8} strokeDasharray="10 3 2 3" />
        {cuts && <Chip x={x + 6} y={AXIS + (shape === 'bore' ? HOLE + DEPTH * to - 16 : BAR - DEPTH * to + 14)} />}
      </svg>
      <svg viewBox={`${BESIDE} 0 ${WIDE - BESIDE} ${TALL}`} aria-hidden className="max-w-80 min-w-52 flex-1">
        <Dial at={dial} perTurn={perTurn} />
        <Micrometer reads={share < 1 ? null : reads} />
      </svg>
    </div>
  );
}

interface Cut {
  x: number;
  before: number;
  after: number;
}

function Outside({ x, before, after, thread }: Cut & { thread: boolean }) {
  const threads = thread ? Array.from({ length: 23 }, (_, n) => FACE - n * 12).filter((at) => at > SHOULDER) : [];
  const crest = thread ? BAR : after;
  return (
    <>
      <path
        d={`M${CHUCK} ${AXIS - BAR}H${SHOULDER}V${AXIS - (thread ? BAR : before)}H${x}V${AXIS - crest}H${FACE}V${AXIS + crest}H${x}V${AXIS + (thread ? BAR : before)}H${SHOULDER}V${AXIS + BAR}H${CHUCK}Z`}
        className="fill-mark-wash stroke-mark"
        strokeWidth={2}
      />
      {threads.map((at) => {
        const deep = BAR - (at > x ? after : before);
        return deep > 0 ? (
          <path
            key={at}
            d={`M${at} ${AXIS - BAR}l-6 ${deep}l-6 ${-deep} M${at} ${AXIS + BAR}l-6 ${-deep}l-6 ${deep}`}
            className="fill-card stroke-mark"
            strokeWidth={1.2}
          />
        ) : null;
      })}
      <path
        data-part="tool"
        d={thread ? `M${x} ${AXIS + after}l8 14v40h-16v-40z` : `M${x} ${AXIS + after}l16 6v48h-18v-46z`}
        className="fill-ink"
      />
    </>
  );
}

function Bore({ x, before, after }: Cut) {
  const wall = (sign: 1 | -1) =>
    `M${CHUCK} ${AXIS + sign * WALL}H${FACE}V${AXIS + sign * after}H${x}V${AXIS + sign * before}H${SHOULDER}V${AXIS + sign * HOLE}H${CHUCK}Z`;
  return (
    <>
      {([1, -1] as const).map((sign) => (
        <path key={sign} d={wall(sign)} className="fill-mark-wash stroke-mark" strokeWidth={2} />
      ))}
      <path
        data-part="tool"
        d={`M${x} ${AXIS + after}l10 -8h${FACE + 60 - x}v-12h${-(FACE + 72 - x)}z`}
        className="fill-ink"
      />
    </>
  );
}

function Chip({ x, y }: { x: number; y: number }) {
  return (
    <path
      data-part="chip"
      d={`M${x} ${y}c10 -14 22 -4 14 4s-16 -2 -6 -8s20 4 12 10`}
      fill="none"
      className="stroke-straw-edge"
      strokeWidth={2.4}
    />
  );
}

function Dial({ at, perTurn }: { at: number; perTurn: number }) {
  const [cx, cy, r] = [516, 70, 56];
  const ticks = Math.min(perTurn, 100);
  const turn = (at / perTurn) * 360;
  return (
    <g data-part="dial">
      <circle cx={cx} cy={cy} r={r} className="fill-card stroke-ink" strokeWidth={2} />
      <g
        className="turns"
        style={{ transform: `rotate(${-turn}deg)`, transformOrigin: `${cx}px ${cy}px` }}
        data-turn={turn}>
        {Array.from({ length: ticks }, (_, n) => {
          const angle = (n / ticks) * 2 * Math.PI;
          const long = n % 10 === 0;
          const [sin, cos] = [Math.sin(angle), -Math.cos(angle)];
          const inner = r - (long ? 12 : n % 5 === 0 ? 9 : 6);
          return (
            <g key={n}>
              <line
                x1={cx + sin * inner}
                y1={cy + cos * inner}
                x2={cx + sin * r}
                y2={cy + cos * r}
                className="stroke-ink"
                strokeWidth={long ? 1.6 : 0.8}
              />
              {long && (
                <text
                  x={cx + sin * (r - 21)}
                  y={cy + cos * (r - 21) + 4}
                  textAnchor="middle"
                  className="figures fill-ink text-[11px]">
                  {Math.round((n / ticks) * perTurn)}
                </text>
              )}
            </g>
          );
        })}
      </g>
      {/* What does not turn: the mark the dial is read against. */}
      <path d={`M${cx} ${cy - r - 1}l-5 -10h10z`} className="fill-mark" />
      <text x={cx} y={cy + 6} textAnchor="middle" className="figures fill-ink text-[18px] font-bold">
        {Math.round(at * 100) / 100}
      </text>
    </g>
  );
}

function Micrometer({ reads }: { reads: string | null }) {
  return (
    <g data-part="micrometer" className={reads === null ? 'opacity-40' : ''}>
      <path
        d="M428 150v28c0 20 42 20 42 2v-10"
        fill="none"
        className="stroke-ink"
        strokeWidth={8}
        strokeLinecap="round"
      />
      <path d="M428 159h8 M456 159h-8" className="stroke-ink" strokeWidth={6} />
      <rect x={454} y={148} width={34} height={22} className="fill-card stroke-ink" strokeWidth={1.6} />
      <rect x={488} y={142} width={130} height={34} rx={5} className="fill-plate" />
      <text x={553} y={167} textAnchor="middle" className="figures fill-plate-ink text-[22px] font-bold">
        {reads ?? '—'}
      </text>
    </g>
  );
}
