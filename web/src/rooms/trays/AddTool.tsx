import { useState } from 'react';
import { type Problem, call } from '../../api/client';
import { refusalOf } from '../../api/queries';
import { Box } from '../../parts/Box';
import { Button } from '../../parts/Button';
import { Said } from '../../parts/Said';
import { usePrefs } from '../../state/prefs';

const KINDS: Record<string, { series: string[]; fields: string[] }> = {
  drill: { series: ['metric', 'fractional', 'number', 'letter'], fields: ['reach'] },
  'centre drill': { series: [''], fields: [] },
  reamer: { series: ['machine', 'hand'], fields: ['lead', 'reach'] },
  'end mill': { series: [''], fields: ['reach'] },
  'slot drill': { series: [''], fields: ['reach'] },
  'slitting saw': { series: [''], fields: ['width', 'bore', 'reach'] },
  'grooving tool': { series: [''], fields: ['reach'] },
  'parting tool': { series: [''], fields: ['reach'] },
  tap: { series: ['taper', 'second', 'bottoming'], fields: [] },
  die: { series: [''], fields: [] },
  countersink: { series: [''], fields: [] },
  'gear cutter': { series: [''], fields: ['bore', 'detail'] },
  collet: { series: [''], fields: ['reach'] },
  arbor: { series: [''], fields: [] },
  mandrel: { series: [''], fields: ['reach'] },
  'boring head': { series: [''], fields: ['fastest'] },
  bar: { series: [''], fields: ['reach', 'detail'] },
  'dividing head': { series: [''], fields: ['detail'] },
  'rotary table': { series: [''], fields: ['detail'] },
  'edge finder': { series: [''], fields: [] },
  'measuring tool': { series: [''], fields: ['resolution'] },
};
const LABELS: Record<string, string> = {
  reach: 'How deep it reaches',
  lead: 'Length of its lead',
  width: 'How thick',
  bore: 'Its bore',
  resolution: 'Reads to',
  fastest: 'Fastest, rev/min',
};
/** What else is said of it, and how. */
const DETAILS: Record<string, [string, string]> = {
  'dividing head': ['Ratio; its plates', '40:1; 15 to 20; 21 23 27 29'],
  'rotary table': ['Ratio; its dial', '90:1; dial 240'],
  'gear cutter': ['Module or DP, teeth', '0.7 module, no 4, 21 to 25'],
  bar: ['Metal, section', 'brass, hexagon'],
};
const EMPTY: Record<string, string> = {};

/** One tool more, its sizes as they are spoken. */
export function AddTool({ done }: { done: (name: string) => void }) {
  const { unit } = usePrefs();
  const [kind, setKind] = useState('reamer');
  const [series, setSeries] = useState('machine');
  const [typed, setTyped] = useState(EMPTY);
  const [problem, setProblem] = useState<Problem | null>(null);
  const about = KINDS[kind]!;
  const put = (name: string) => (value: string) => setTyped({ ...typed, [name]: value });
  const add = async () => {
    setProblem(null);
    try {
      const made = await call<{ name: string }>('POST', '/tools', { kind, series, unit, size: '', ...typed });
      setTyped(EMPTY);
      done(made.name);
    } catch (error) {
      setProblem(refusalOf(error));
    }
  };
  return (
    <section aria-labelledby="one" className="border-t border-line pt-4">
      <h2 id="one" className="text-xl font-semibold">
        Add one tool
      </h2>
      <form
        className="mt-2 grid items-end gap-3 sm:grid-cols-3 lg:grid-cols-6"
        onSubmit={(event) => {
          event.preventDefault();
          void add();
        }}>
        <Choose
          label="Kind"
          value={kind}
          options={Object.keys(KINDS)}
          change={(next) => {
            setKind(next);
            setSeries(KINDS[next]!.series[0]!);
          }}
        />
        {about.series.length > 1 && <Choose label="Sort" value={series} options={about.series} change={setSeries} />}
        <Box
          label="Size"
          value={typed.size ?? ''}
          wrong={problem?.field === 'size'}
          placeholder='7/16"'
          onChange={put('size')}
        />
        <Box
          label="Name"
          value={typed.name ?? ''}
          wrong={problem?.field === 'name'}
          placeholder="from its size"
          onChange={put('name')}
        />
        {about.fields.map((field) => (
          <Box
            key={field}
            label={DETAILS[kind]?.[0] && field === 'detail' ? DETAILS[kind][0] : LABELS[field]!}
            placeholder={field === 'detail' ? DETAILS[kind]?.[1] : undefined}
            value={typed[field] ?? ''}
            wrong={problem?.field === field}
            onChange={put(field)}
          />
        ))}
        <Button look="main" type="submit">
          Add it
        </Button>
      </form>
      {problem && (
        <div className="mt-2">
          <Said problem={problem} />
        </div>
      )}
    </section>
  );
}

interface ChooseProps {
  label: string;
  value: string;
  options: string[];
  change: (value: string) => void;
}

function Choose({ label, value, options, change }: ChooseProps) {
  return (
    <label>
      <span className="text-soft">{label}</span>
      <select
        value={value}
        onChange={(event) => change(event.target.value)}
        className="block min-h-11 w-full rounded border border-line bg-card px-2 text-lg">
        {options.map((option) => (
          <option key={option}>{option}</option>
        ))}
      </select>
    </label>
  );
}
