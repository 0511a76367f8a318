import { useEffect, useState } from 'react';
import type { Schemas } from '../../api/client';
import { type AtWork, LatheAtWork } from '../../drawings/LatheAtWork';
import { Button } from '../../parts/Button';

type Practice = Schemas['Practice'];

const STEP_MS = 1600;

function shapeOf(piece: Practice): AtWork['shape'] {
  return piece.wound_to ? 'thread' : piece.growing ? 'bore' : 'outside';
}

/** How far a size is on its way from what it was to what is wanted: one when it is there. */
function share(piece: Practice, size: number | null): number {
  const aim = (piece.low_mm + piece.high_mm) / 2;
  const way = piece.start_mm - aim;
  return size === null || way === 0 ? 0 : Math.max(0, Math.min((piece.start_mm - size) / way, 1.5));
}

/** The piece in the lathe as far as anybody can see it: what was wound, and what the micrometer told. */
export function AtTheLathe({ piece }: { piece: Practice }) {
  const { moves } = piece;
  const last = moves.at(-1);
  const told = moves.filter((one) => one.read_mm !== null);
  const [now, before] = [told.at(-1)?.read_mm ?? null, told.at(-2)?.read_mm ?? null];
  const measuredOnly = last?.wind === null;
  return (
    <LatheAtWork
      shape={shapeOf(piece)}
      from={share(piece, measuredOnly ? now : before)}
      to={share(piece, now)}
      dial={last?.dial ?? 0}
      perTurn={piece.per_turn}
      reads={last?.read_mm == null ? null : last.read_mm.toFixed(2)}
      pass={measuredOnly ? 0 : moves.length}
      label={
        last
          ? `The tool has gone along; the dial stands at ${last.dial}, the micrometer ${last.read_mm === null ? 'is not on' : `reads ${last.read_mm.toFixed(2)}`}`
          : 'The tool touches the work, the dial stands at nought'
      }
    />
  );
}

/** A run played back pass by pass, with the true sizes nobody could see, and where it went wrong. */
export function PlayedBack({ piece }: { piece: Practice }) {
  const score = piece.score!;
  const end = piece.moves.length;
  const [at, go] = useState(score.wrong_at || end);
  const [plays, play] = useState(false);
  useEffect(() => {
    if (!plays) return;
    const next = setTimeout(() => (at >= end ? play(false) : go(at + 1)), STEP_MS);
    return () => clearTimeout(next);
  }, [plays, at, end]);
  const move = piece.moves[at - 1];
  const size = score.truth[at]!;
  const wrong = at > 0 && at === score.wrong_at;
  const did = !move
    ? 'Before the first pass'
    : move.wind === null
      ? `Move ${at}: measured`
      : `Move ${at}: wound on ${move.wind}`;
  return (
    <section aria-label="Played back" className="space-y-2 rounded-lg border border-line bg-card p-3">
      <LatheAtWork
        shape={shapeOf(piece)}
        from={share(piece, score.truth[Math.max(at - 1, 0)]!)}
        to={share(piece, size)}
        dial={move?.dial ?? 0}
        perTurn={piece.per_turn}
        reads={move?.read_mm == null ? null : move.read_mm.toFixed(2)}
        pass={move?.wind == null ? 0 : at}
        label={`${did}; it is truly ${size.toFixed(3)} mm`}
      />
      <p className="text-xl" aria-live="polite">
        {did}. It was truly <b className="figures">{size.toFixed(3)}</b> mm
        {move && move.read_mm !== null && (
          <>
            , and read <b className="figures">{move.read_mm.toFixed(2)}</b>
          </>
        )}
        .
      </p>
      {wrong && (
        <p className="rounded-r-md border-l-6 border-stop-edge bg-stop px-3 py-2 text-stop-ink">
          <b className="font-semibold">Here it went.</b> {score.wrong_says}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <Button aria-label="The move before" disabled={at === 0} onClick={() => go(at - 1)}>
          ←
        </Button>
        <Button aria-label="The next move" disabled={at >= end} onClick={() => go(at + 1)}>
          →
        </Button>
        <Button
          onClick={() => {
            if (!plays) go(0);
            play(!plays);
          }}>
          {plays ? 'Stop there' : 'Play it back'}
        </Button>
        {score.wrong_at > 0 && !wrong && <Button onClick={() => go(score.wrong_at)}>Where it went wrong</Button>}
      </div>
    </section>
  );
}
