import type { Caution } from '../api/queries';

export const stopsAmong = (cautions: Caution[]) => cautions.filter((caution) => caution.word === 'Stop');

/** Where the work must not go on as asked: what to do instead, as large as the number would have been. */
export function StopPlate({ stops }: { stops: Caution[] }) {
  const [first] = stops;
  if (!first) return null;
  return (
    <div className="rounded-lg border-4 border-stop-edge bg-stop p-4 text-stop-ink sm:p-5" role="alert">
      <p className="text-xl font-semibold text-stop-edge">Stop</p>
      <p className="text-5xl leading-tight font-bold max-sm:text-3xl">{sentenced(first.instead)}</p>
      <ul className="mt-3 space-y-1.5 text-xl" aria-label="Why">
        {stops.map((stop) => (
          <li key={stop.about + stop.says}>
            <strong className="font-semibold text-stop-edge">Stop {stop.about}:</strong> {stop.says}
          </li>
        ))}
      </ul>
    </div>
  );
}

export const sentenced = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** The plate under a Stop: small and pale, to be looked at only. */
export function HeldBack({ stopped, children }: { stopped: boolean; children: React.ReactNode }) {
  if (!stopped) return children;
  return (
    <div className="held-back space-y-3">
      <p className="mb-1 text-soft">Not to be set. As it was asked, it would be:</p>
      {children}
    </div>
  );
}
