import type { Caution } from '../api/queries';

/** Cautions of this very answer: a word as well as a colour. */
export function Cautions({ cautions }: { cautions: Caution[] }) {
  if (cautions.length === 0) return null;
  return (
    <ul className="grid gap-3 sm:grid-cols-2" aria-label="Cautions">
      {cautions.map((caution) => (
        <li
          key={caution.about + caution.says}
          className={`rounded-r-md border-l-6 px-3 py-2.5 ${
            caution.word === 'Stop'
              ? 'border-stop-edge bg-stop text-stop-ink'
              : 'border-straw-edge bg-straw text-straw-ink'
          }`}>
          <strong className={`font-semibold ${caution.word === 'Stop' ? 'text-stop-edge' : 'text-straw-edge'}`}>
            {caution.word} {caution.about}:
          </strong>{' '}
          {caution.says}
        </li>
      ))}
    </ul>
  );
}
