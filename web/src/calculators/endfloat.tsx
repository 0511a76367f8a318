import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Schemas, call } from '../api/client';
import { AlongShaft } from '../drawings/AlongShaft';
import { Bars } from '../drawings/Bars';
import type { Extras, Given } from '../house';
import { Drawn } from '../parts/Drawn';
import { length } from '../parts/lengths';

type Reply = Schemas['EndfloatReply'];

/** A million of them, each length mostly near its middle, inside its limits. */
function Often({ reply: { answer }, typed, unit, stale }: Given<Reply>) {
  const sure = answer.float_low_mm.value === answer.float_high_mm.value;
  const sweep = useQuery({
    queryKey: ['spread', typed, unit],
    queryFn: ({ signal }) => call<Schemas['FloatSpread']>('POST', '/calc/endfloat/spread', { ...typed, unit }, signal),
    placeholderData: keepPreviousData,
    enabled: !stale && !sure,
  });
  if (!sweep.data || sure) return null;
  const put = answer.shim_mm ? `${answer.shim_mm.shown} ${answer.shim_mm.unit} put in` : 'As it stands';
  const inside = `${sweep.data.inside_percent.toFixed(0)} of 100 as wanted`;
  return (
    <Drawn title={`${put}: ${inside}`}>
      <Bars
        label={`A million drawn: ${inside}`}
        edges={sweep.data.edges_mm}
        heights={sweep.data.percents}
        wanted={[answer.wanted_low_mm.value, answer.wanted_high_mm.value]}
        shown={(mm) => length(mm, unit, 3)}
      />
    </Drawn>
  );
}

function Beside(given: Given<Reply>) {
  const { answer } = given.reply;
  const stack = answer.lengths.filter((one) => one.side !== 'makes room');
  let at = 0;
  const blocks = stack.map((one) => ({
    name: one.name,
    from: at,
    to: (at += one.along_mm.value),
    shown: `${one.along_mm.shown} ${one.along_mm.unit}`,
  }));
  return (
    <>
      <Drawn title="What stands between, to scale">
        <AlongShaft
          label={`${stack.length} lengths fill ${answer.held_mm.shown} of ${answer.room_mm.shown}`}
          room={answer.room_mm.value}
          blocks={blocks}
        />
      </Drawn>
      <Often {...given} />
    </>
  );
}

export default { side: Beside } satisfies Extras<Reply>;
