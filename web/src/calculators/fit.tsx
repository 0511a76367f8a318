import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Schemas, call } from '../api/client';
import { AcrossSizes } from '../drawings/AcrossSizes';
import { Ladder } from '../drawings/Ladder';
import type { Extras, Given } from '../house';
import { Plate } from '../parts/AnswerPlate';
import { Drawn } from '../parts/Drawn';

type Reply = Schemas['FitReply'];
type Figure = Reply['answer']['hole_low_mm'];

function Limits({ name, low, high }: { name: string; low: Figure; high: Figure }) {
  return (
    <div className="min-w-0">
      <dt className="text-xl text-plate-soft">{name}</dt>
      <dd className="mt-1 space-y-1">
        {(low.value === high.value
          ? [{ label: 'as it measures', figure: high }]
          : [
              { label: 'largest', figure: high },
              { label: 'smallest', figure: low },
            ]
        ).map(({ label, figure }) => (
          <p key={label} className="flex flex-wrap items-baseline gap-x-3">
            <span className="figures text-7xl leading-none font-bold max-lg:text-6xl max-sm:text-5xl">
              {figure.shown}
            </span>
            <span className="text-xl text-plate-soft">
              {figure.unit} {label}
            </span>
          </p>
        ))}
      </dd>
    </div>
  );
}

/** A duty finer than anything measures: one size, and how they go together; limits stand beneath. */
function ToEachOther({ answer }: { answer: Reply['answer'] }) {
  const { nominal_mm: size, hole_low_mm: hl, hole_high_mm: hh, shaft_low_mm: sl, shaft_high_mm: sh } = answer;
  const [how, made] = answer.one.split(/, (?=[^,]*$)/);
  return (
    <>
      <p className="flex flex-wrap items-baseline gap-x-3">
        <span className="figures text-7xl leading-none font-bold max-lg:text-6xl max-sm:text-5xl">{size.shown}</span>
        <span className="text-xl text-plate-soft">{size.unit} both</span>
      </p>
      <p className="mt-4 text-4xl leading-tight font-bold max-sm:text-3xl">{how}</p>
      <p className="text-xl text-plate-soft">{made}</p>
      <p className="mt-3 text-plate-soft">
        Hole {hl.shown} to {hh.shown}, shaft {sl.shown} to {sh.shown} {sh.unit}
      </p>
    </>
  );
}

/** Both parts' limits as large as each other, and what they do to each other beneath. */
function Both({ reply: { answer } }: Given<Reply>) {
  const tight = answer.clearance_high_mm.value <= 0;
  // An interference is said as how tight it is.
  const unsigned = (figure: Figure) => (tight ? figure.shown.replace('-', '') : figure.shown);
  const low = tight ? answer.clearance_high_mm : answer.clearance_low_mm;
  const high = tight ? answer.clearance_low_mm : answer.clearance_high_mm;
  return (
    <Plate>
      {answer.one ? (
        <ToEachOther answer={answer} />
      ) : (
        <dl className="grid gap-x-8 gap-y-5 md:grid-cols-2">
          <Limits name="Hole" low={answer.hole_low_mm} high={answer.hole_high_mm} />
          <Limits name="Shaft" low={answer.shaft_low_mm} high={answer.shaft_high_mm} />
        </dl>
      )}
      {answer.mandrel_long_mm && (
        <p className="mt-4 flex flex-wrap items-baseline gap-x-3">
          <span className="text-xl text-plate-soft">The mandrel</span>
          <span className="figures text-5xl leading-none font-bold">{answer.mandrel_long_mm.shown}</span>
          <span className="text-xl text-plate-soft">{answer.mandrel_long_mm.unit} long at least</span>
        </p>
      )}
      <p className="mt-4 border-t border-plate-line pt-3 text-xl">
        <b className="font-semibold">{answer.name}</b>, {answer.kind}: {unsigned(low)} to {unsigned(high)} {low.unit}
      </p>
      <p className="text-xl text-plate-soft">{answer.says}</p>
      <p className="text-plate-soft">{answer.first}</p>
    </Plate>
  );
}

const mark = ({ value, shown }: Figure) => ({ mm: value, shown });

/** The same fit at other sizes, from one sweep. */
function Across({ reply: { answer }, typed, unit, stale }: Given<Reply>) {
  const sweep = useQuery({
    queryKey: ['across', typed, unit],
    queryFn: ({ signal }) => call<Schemas['FitAcross']>('POST', '/calc/fit/across', { ...typed, unit }, signal),
    placeholderData: keepPreviousData,
    enabled: !stale,
  });
  if (!sweep.data) return null;
  const shown = (mm: number, fine = false) =>
    unit === 'inch' ? `${(mm / 25.4).toFixed(fine ? 4 : 2)} in` : `${mm.toFixed(fine ? 3 : 0)} mm`;
  return (
    <Drawn title="The same fit at other sizes">
      <AcrossSizes shape={sweep.data} size={answer.nominal_mm.value} shown={shown} />
    </Drawn>
  );
}

function Beside(given: Given<Reply>) {
  return (
    <>
      <Zones {...given} />
      <Across {...given} />
    </>
  );
}

function Zones({ reply: { answer } }: Given<Reply>) {
  const { hole_low_mm: hl, hole_high_mm: hh, shaft_low_mm: sl, shaft_high_mm: sh } = answer;
  return (
    <Drawn title="The two zones, to scale">
      <Ladder
        label={`Hole ${hl.shown} to ${hh.shown}, shaft ${sl.shown} to ${sh.shown} ${hl.unit}`}
        nominal={mark(answer.nominal_mm)}
        columns={[
          { name: 'hole', look: 'hole', zone: [mark(hl), mark(hh)] },
          { name: 'shaft', look: 'shaft', zone: [mark(sl), mark(sh)] },
        ]}
      />
    </Drawn>
  );
}

export default { plate: Both, side: Beside } satisfies Extras<Reply>;
