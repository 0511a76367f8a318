/** Signs of what is done: each a few strokes on a field of 40 by 28, with its word under it. */
const STROKES: Record<string, string> = {
  bar: 'M4 8h32v12h-32z',
  spot: 'M4 6h14v16h-14z M18 14l5 -4 M18 14l5 4 M24 11h12v6h-12z',
  drill: 'M4 6h16v16h-16z M20 11h16 M20 17h16 M20 11l-8 3l8 3 M26 11l4 6 M32 11l4 6',
  'large drill': 'M4 4h12v20h-12z M16 8h20 M16 20h20 M16 8l-8 6l8 6 M22 8l6 12 M29 8l6 12',
  'small drill': 'M4 6h18v16h-18z M22 13h14 M22 15h14 M22 13l-12 1l12 1',
  bore: 'M4 4h18v5h-18z M4 19h18v5h-18z M10 14h26 M10 14v-5l3 1',
  ream: 'M4 4h16v6h-16z M4 18h16v6h-16z M8 11h28 M8 14h28 M8 17h28',
  tap: 'M4 4h14v7h-14z M4 17h14v7h-14z M8 11l3 6 M12 11l3 6 M16 11l3 6 M20 11l3 6 M8 14h28',
  face: 'M8 4h18v20h-18z M26 2v24 M26 14l8 5v-10z',
  turn: 'M4 8h32v10h-32z M20 18l4 8h-8z',
  rough: 'M4 4h18v20h-18z M22 8h14v12h-14z M22 20l4 7h-8z M26 4l3 -2 M31 5l3 -2',
  finish: 'M4 6h32v10h-32z M4 16.5h32 M20 17l3 9h-6z',
  thread: 'M4 8h12v12h-12z M16 8l3 12 M20 8l3 12 M24 8l3 12 M28 8l3 12 M32 8l3 12 M16 8h18 M19 20h16',
  groove: 'M4 6h12v16h-12z M16 10h6v8h-6z M22 6h14v16h-14z',
  chamfer: 'M4 6h24l6 5v8l-6 4h-24z',
  knurl: 'M6 6h28v16h-28z M6 14l8 -8 M6 22l16 -16 M14 22l16 -16 M22 22l12 -12 M14 6l16 16 M6 6l16 16 M22 6l12 12',
  taper: 'M4 4l32 6v8l-32 6z',
  keyway: 'M4 8h32v12h-32z M12 8v5h14v-5',
  flat: 'M20 4a10 10 0 1 1 -8 4 M12 8h16',
  slot: 'M4 10h32v12h-32z M15 10v7h9v-7',
  plane: 'M6 14h28v10h-28z M4 12h32 M12 4h16v6h-16z',
  profile: 'M6 20c0 -14 8 -14 12 -10s16 -6 16 6c0 8 -28 12 -28 4z',
  'cross hole': 'M4 8h32v12h-32z M20 4v20 M16 4v20',
  counterbore: 'M4 4h10v7h-10z M4 17h10v7h-10z M14 4h14v3h-14z M14 21h14v3h-14z',
  'part off': 'M4 8h14v12h-14z M22 8h14v12h-14z M20 26v-14',
  harden: 'M8 12h24v10h-24z M12 8c-2 -3 2 -3 0 -6 M20 8c-2 -3 2 -3 0 -6 M28 8c-2 -3 2 -3 0 -6',
  temper: 'M8 14h24v8h-24z M12 10c-1 -2 1 -2 0 -4 M20 10c-1 -2 1 -2 0 -4 M28 10c-1 -2 1 -2 0 -4 M10 18h20',
  saw: 'M4 14h32l-2 3l-2 -3l-2 3l-2 -3l-2 3l-2 -3l-2 3l-2 -3 M4 10h32v4',
  bolt: 'M6 12h6v-4h4v12h-4v-4h-6z M16 12h18v4h-18z',
  pin: 'M4 8h8v14h-8z M28 8h8v14h-8z M12 4h16v7h-16z',
  journal: 'M4 4h8v20h-8z M12 9h24v10h-24z',
  'skin off': 'M6 10h28v12h-28z M6 7c4 -4 8 2 12 -2s10 3 16 -1',
  centre: 'M4 8h18v12h-18z M22 14l10 -6h6 M22 14l10 6h6',
  centres: 'M2 14l8 -5v10z M38 14l-8 -5v10z M12 10h16v8h-16z',
  jaws: 'M4 3h12v7h-8v3h-4z M4 25h12v-7h-8v-3h-4z M10 11h26v6h-26z',
  nothing: 'M10 6l20 16 M30 6l-20 16',
  packing: 'M6 12h28v8h-28z M8 8h24v3h-24z M8 21h24v3h-24z',
  faceplate: 'M6 2h4v24h-4z M10 8h14v12h-14z M24 6h4v4h-4z M24 18h4v4h-4z',
  mandrel: 'M2 12h36v4h-36z M12 6h16v6h-16z M12 16h16v6h-16z',
  plug: 'M6 6h20v4h-20z M6 18h20v4h-20z M14 10h20v8h-20z',
  'let go': 'M4 2h10v6h-10z M4 20h10v6h-10z M18 11h18v6h-18z M10 14h4',
  dial: 'M20 12m-9 0a9 9 0 1 0 18 0a9 9 0 1 0 -18 0 M20 12l4 -5 M20 21v5',
  weight: 'M20 14m-11 0a11 11 0 1 0 22 0a11 11 0 1 0 -22 0 M14 5h12v5h-12z',
  measure: 'M6 6h24v4h-18v8h18v4h-24z M30 12h6v4h-6z M20 12h10v4h-10z',
  mate: 'M4 6h14v16h-14z M18 11h-8v6h8 M22 11h14v6h-14z',
  deburr: 'M6 10h22l4 4l-4 4h-22z M34 6l2 -3 M36 14h3 M34 22l2 3',
  wait: 'M14 4h12l-6 10z M14 24h12l-6 -10z M12 4h16 M12 24h16',
  bond: 'M4 12h14v6h-14z M22 12h14v6h-14z M20 8c2 3 2 4 0 4s-2 -1 0 -4z M20 14v4',
  'plug out': 'M6 10h10v8h-10z M16 12h4 M16 16h4 M26 10h8v8h-8z M34 14h4',
  'hand work': 'M4 18h20v4h-20z M24 18l12 -8l2 3l-12 9z',
  lock: 'M12 13h16v11h-16z M15 13v-4a5 5 0 0 1 10 0v4',
  look: 'M4 14c8 -12 24 -12 32 0c-8 12 -24 12 -32 0z M20 14m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0',
  brush: 'M22 12h16v4h-16z M22 8v12 M4 9h18 M4 12h18 M4 16h18 M4 19h18',
  mark: 'M6 8h28v14h-28z M14 15h1 M20 15h1 M26 15h1',
  dry: 'M6 9h16v10h-16z M22 11h12v6h-12z',
  pen: 'M6 22l4 -8l16 -10l5 5l-17 11z M6 22h8',
  long: 'M4 3h8v7h-8z M4 25h8v-7h-8z M7 11h32v6h-32z',
  small: 'M10 10h14v8h-14z M2 24h36',
  large: 'M6 2h26v20h-26z M2 18h36',
  behind: 'M6 2h4v24h-4z M10 8h14v12h-14z M4 14l-4 4 M2 22l4 -4',
};

/** One sign and its word. */
export function Sign({ word }: { word: string }) {
  return (
    <span className="inline-flex w-16 shrink-0 flex-col items-center text-center leading-tight">
      <svg viewBox="0 0 40 28" aria-hidden className="h-8 w-12">
        <path
          d={STROKES[word] ?? STROKES.bar}
          fill="none"
          className="stroke-ink"
          strokeWidth="1.7"
          strokeLinejoin="round"
          strokeLinecap="round"
        />
      </svg>
      <span>{word}</span>
    </span>
  );
}

export const SIGNS = Object.keys(STROKES);
