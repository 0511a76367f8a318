import type { Plan } from '../../api/cuts';

/** Past its size: by how much, and what can still be made of it. */
export function WaysOut({ plan }: { plan: Plan }) {
  return (
    <section aria-label="Ways out" className="rounded-r-md border-l-6 border-stop-edge bg-stop px-4 py-3 text-stop-ink">
      <h2 className="text-xl font-semibold">
        Past the size aimed at by {plan.over_mm?.shown} {plan.over_mm?.unit}. Ways out, the least work first:
      </h2>
      <ol className="mt-1 list-decimal pl-6">
        {plan.ways_out.map((way) => (
          <li key={way.way} className="py-1">
            <b className="font-semibold first-letter:uppercase">{way.way}</b>: {way.says}
          </li>
        ))}
      </ol>
    </section>
  );
}
