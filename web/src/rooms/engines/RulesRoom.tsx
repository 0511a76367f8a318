import { useRules } from '../../api/parts';
import { Heading } from '../../parts/Heading';

/** Every rule a route is checked against, with its reason and where it is from. */
export default function RulesRoom() {
  const rules = useRules();
  return (
    <section className="max-w-4xl space-y-4">
      <Heading className="text-3xl font-semibold">The order of work</Heading>
      <p className="text-lg">
        A route is checked against each of these. One can be overruled for a part with a written reason; what cannot be
        reached, or can hurt, cannot.
      </p>
      {rules.isPending && <p className="text-soft">Fetching the rules …</p>}
      <ul className="divide-y divide-line border-y border-line">
        {(rules.data ?? []).map((rule) => (
          <li key={rule.key} className="py-2.5">
            <p className="text-xl font-semibold">
              <span className={rule.severity === 'Stop' ? 'text-stop-edge' : 'text-straw-edge'}>{rule.severity}</span>{' '}
              {rule.name}
            </p>
            <p>
              {rule.reason} {rule.mend}
            </p>
            <p className="text-soft">{rule.source}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}
