import { Fragment, useState } from 'react';

import { type Schemas } from '../../api/client';
import { useRules } from '../../api/parts';
import { Sign } from '../../drawings/Sign';
import { Heading } from '../../parts/Heading';

type Rule = Schemas['RuleOut'];

/** Every rule a route is checked against, by what it protects: searched by any of its words. */
export default function RulesRoom() {
  const rules = useRules();
  const [wanted, want] = useState('');
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const found = (rules.data ?? []).filter((rule) => words.every((word) => said(rule).includes(word)));
  const groups = [...new Set(found.map((rule) => rule.protects))];
  return (
    <section className="max-w-6xl space-y-4">
      <Heading className="text-3xl font-semibold">The order of work</Heading>
      <p className="max-w-3xl text-lg">
        A route is checked against each of these. One can be overruled for a part with a written reason; what cannot be
        reached, or can hurt, cannot.
      </p>
      <label className="flex max-w-xl items-center gap-3">
        <span className="text-soft">Find</span>
        <input
          type="search"
          value={wanted}
          placeholder="reamer, thin, keyway …"
          onChange={(event) => want(event.target.value)}
          className="min-h-11 min-w-0 flex-1 rounded border border-line bg-card px-2"
        />
      </label>
      {rules.isPending && <p className="text-soft">Fetching the rules …</p>}
      {wanted && found.length === 0 && !rules.isPending && <p role="status">No rule speaks of that.</p>}
      {!wanted && (
        <nav aria-label="What they protect" className="flex flex-wrap gap-x-5">
          {groups.map((group) => (
            <a key={group} href={`#${anchor(group)}`} className="inline-flex min-h-11 items-center text-mark underline">
              {group}
            </a>
          ))}
        </nav>
      )}
      {groups.map((group) => (
        <section key={group} aria-labelledby={anchor(group)}>
          <h2
            id={anchor(group)}
            className="mt-4 border-b-2 border-ink pb-1 text-2xl font-semibold first-letter:uppercase">
            {group}
          </h2>
          <ul className="grid gap-x-8 lg:grid-cols-2">
            {found
              .filter((rule) => rule.protects === group)
              .map((rule) => (
                <li key={rule.key} className="border-b border-line py-3">
                  <h3 className="text-xl font-semibold">
                    <span className={rule.severity === 'Stop' ? 'text-stop-edge' : 'text-straw-edge'}>
                      {rule.severity}
                    </span>{' '}
                    {rule.name}
                  </h3>
                  <Way word="Right" steps={rule.right} />
                  <Way word="Wrong" steps={rule.wrong} />
                  <p>
                    {rule.reason} {rule.mend}
                  </p>
                  <p className="text-soft">{rule.source}</p>
                </li>
              ))}
          </ul>
        </section>
      ))}
    </section>
  );
}

function Way({ word, steps }: { word: 'Right' | 'Wrong'; steps: string[][] }) {
  return (
    <p className="flex flex-wrap items-center gap-1 py-1">
      <span className={`w-20 shrink-0 font-semibold whitespace-nowrap ${word === 'Wrong' ? 'text-stop-edge' : ''}`}>
        <span aria-hidden>{word === 'Right' ? '✓' : '✗'}</span> {word}
      </span>
      {steps.map((signs, n) => (
        <Fragment key={n}>
          {n > 0 && (
            <span className="text-soft">
              <span aria-hidden>→</span>
              <span className="sr-only">, then</span>
            </span>
          )}
          {/* What is done in one grip stands in one frame. */}
          <span className={`flex items-center ${signs.length > 1 ? 'rounded border border-line' : ''}`}>
            {signs.map((sign) => (
              <Sign key={sign} word={sign.replace(':', '')} />
            ))}
          </span>
        </Fragment>
      ))}
    </p>
  );
}

const anchor = (group: string) => group.replaceAll(' ', '-');

const said = (rule: Rule) =>
  [rule.name, rule.reason, rule.mend, rule.protects, ...rule.right.flat(), ...rule.wrong.flat()]
    .join(' ')
    .toLowerCase();
