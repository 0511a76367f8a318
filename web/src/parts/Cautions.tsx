import type { Caution } from '../api/queries';

/** What to mind about this very answer: a word as well as a colour. Stops have their own plate. */
export function Cautions({ cautions }: { cautions: Caution[] }) {
  const minds = cautions.filter((caution) => caution.word !== 'Stop');
  if (minds.length === 0) return null;
  return (
    <ul className="grid gap-3 sm:grid-cols-2" aria-label="Cautions">
      {minds.map((caution) => (
        <li
          key={caution.about + caution.says}
          className="rounded-r-md border-l-6 border-straw-edge bg-straw px-3 py-2.5 text-straw-ink">
          <strong className="font-semibold text-straw-edge">
            {caution.word} {caution.about}:
          </strong>{' '}
          {caution.says}
        </li>
      ))}
    </ul>
  );
}
