import { Fragment, type ReactNode, Suspense, useState } from 'react';
import type { Calculator, FieldOut } from '../api/queries';
import type { Problem } from '../api/client';
import type { Typed } from '../state/question';
import { Button } from './Button';
import { ChoiceWord, type Option } from './ChoiceWord';
import { TypedWord } from './TypedWord';
import { later } from './later';

const NearestOwned = later(() => import('./NearestOwned'));

interface Readings {
  [field: string]: { echo: string; plain: boolean };
}

interface Props {
  calculator: Calculator;
  typed: Typed;
  change: (change: Typed) => void;
  words: Record<string, string>;
  readings: Readings;
  problem: Problem | null;
  unit: string;
  /** What the workshop has of a kind: its metals, its machines. */
  options: Record<string, Option[]>;
  /** Told which length has the cursor. */
  touched?: (name: string) => void;
}

/** What a field holds: as typed, or as it is where nothing was typed. */
function ruling(calculator: Calculator, typed: Typed): string {
  const field = calculator.fields.find((f) => f.rules);
  return field ? (typed[field.name] ?? field.default ?? '') : '';
}

/** The question as a sentence of live words, made from the calculator's own template. */
export function Sentence(props: Props) {
  const { calculator, typed } = props;
  const key = ruling(calculator, typed);
  const [whole, setWhole] = useState(false);
  const [last, setLast] = useState('');
  const [owned, setOwned] = useState(false);
  const size = typed[last]?.trim() ?? '';
  const template = calculator.sentences[key] ?? '';
  const parts = (whole ? template : said(props, template)).replaceAll(/[[\]]/g, '').split(/\{(\w+)\}/);
  const echoes = Object.entries(props.readings).filter(([, reading]) => !reading.plain);
  return (
    <div>
      <p className="text-[1.6rem] leading-[1.75] text-pretty max-sm:text-[1.35rem]">
        {parts.map((part, index) => (
          // Live words and plain words take turns, so the index is the part's own name.
          <Fragment key={index}>
            {index % 2 ? (
              // A comma stays on the line of the word before it.
              <span className="whitespace-nowrap">
                {word({ ...props, touched: setLast }, part, key)}
                {leading(parts[index + 1])}
              </span>
            ) : (
              part.slice(leading(part).length)
            )}
          </Fragment>
        ))}{' '}
        {template.includes('[') && (
          <Button
            look="quiet"
            className="align-middle text-mark"
            aria-expanded={whole}
            onClick={() => setWhole(!whole)}>
            {whole ? 'Say less' : 'Say more'}
          </Button>
        )}
        {size && !owned && (
          <Button look="quiet" className="align-middle text-mark" onClick={() => setOwned(true)}>
            Nearest owned to {size}
          </Button>
        )}
      </p>
      {size && owned && (
        <Suspense>
          <NearestOwned
            label={calculator.fields.find((f) => f.name === last)?.label ?? ''}
            size={size}
            unit={props.unit}
            take={(name) => props.change({ [last]: name })}
            close={() => setOwned(false)}
          />
        </Suspense>
      )}
      {echoes.length > 0 && (
        <p className="text-soft" aria-label="Sizes as read">
          {echoes.map(([, reading]) => reading.echo).join(' · ')}
        </p>
      )}
    </div>
  );
}

/** The template without the parts that only say what is usual or has not been given. */
function said({ calculator, typed, problem }: Props, template: string): string {
  return template.replaceAll(/\[([^\]]*)\]/g, (part: string, inside: string) => {
    const names = [...inside.matchAll(/\{(\w+)\}/g)].map((match) => match[1]!);
    const says = names.some((name) => {
      const field = calculator.fields.find((f) => f.name === name);
      const value = typed[name] ?? '';
      return problem?.field === name || (value !== '' && value !== (field?.default ?? ''));
    });
    return says ? part : '';
  });
}

function leading(part: string | undefined): string {
  return /^[,.:]?/.exec(part ?? '')?.[0] ?? '';
}

function word(props: Props, name: string, rulingKey: string): ReactNode {
  const field = props.calculator.fields.find((f) => f.name === name);
  if (!field) return name;
  const wrong = props.problem?.field === name;
  if (field.widget !== 'chosen') {
    return (
      <TypedWord
        label={field.label}
        value={props.typed[name] ?? ''}
        placeholder={props.words[name] || field.placeholder}
        wrong={wrong}
        unit={field.in_page_unit && field.kind !== 'pressure' ? props.unit : ''}
        pad={field.widget === 'size'}
        list={field.widget === 'list'}
        onChange={(value) => props.change({ [name]: value })}
        onFocus={() => props.touched?.(field.kind === 'length' ? name : '')}
      />
    );
  }
  const options = props.options[field.kind] ?? optionsOf(field, rulingKey);
  const value = props.typed[name] || field.default || '';
  const chosen = options.find((o) => o.key === value || o.label === (value || props.words[name]));
  return (
    <ChoiceWord
      label={field.label}
      value={chosen?.key ?? value}
      shown={chosen?.label ?? props.words[name] ?? field.placeholder}
      options={options}
      wrong={wrong}
      onChange={(key) => props.change(field.rules ? ruled(props, name, key) : { [name]: key })}
    />
  );
}

function optionsOf(field: FieldOut, rulingKey: string): Option[] {
  return field.choices
    .filter((choice) => choice.only.length === 0 || choice.only.includes(rulingKey))
    .map(({ key, label }) => ({ key, label }));
}

/** Choosing another operation lets go of choices that do not go with it, and of nothing else. */
function ruled({ calculator, typed }: Props, name: string, key: string): Typed {
  const dropped: Typed = { [name]: key };
  for (const field of calculator.fields) {
    // Limits of a shaft are none of a groove's.
    if (field.own && key !== ruling(calculator, typed)) dropped[field.name] = '';
    const choice = field.choices.find((c) => c.key === typed[field.name]);
    if (choice && choice.only.length > 0 && !choice.only.includes(key)) dropped[field.name] = '';
  }
  if (typed.machine) dropped.machine = '';
  return dropped;
}
