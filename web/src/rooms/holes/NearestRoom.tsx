import type { Schemas } from '../../api/client';
import type { NearTool } from '../../api/holes';
import { Cautions } from '../../parts/Cautions';
import { KeepButton } from '../../parts/KeepButton';
import { Links } from '../../parts/Links';
import { Question } from '../../parts/Question';
import { Working, stepsOf } from '../../parts/Working';
import { useAsked } from '../../parts/useAsked';
import { Tabs } from './Tabs';

type NearestReply = Schemas['NearestDrillReply'];

/** What is owned just above and below a size. */
export default function NearestRoom() {
  const asked = useAsked<NearestReply>('nearest-drill');
  const { unit, typed, calculator, reply, problem } = asked;
  if (!calculator) return <p className="py-10 text-soft">Fetching the room …</p>;
  const answer = reply?.answer;
  return (
    <div className="max-w-5xl space-y-4">
      <Tabs />
      <h1 className="sr-only">Nearest drill</h1>
      <Question asked={asked} readings={reply?.readings ?? {}} />
      {answer && reply && (
        <div className={`settles space-y-4 ${problem ? 'opacity-40' : ''}`} inert={Boolean(problem)}>
          <div className="rounded-lg bg-plate p-5 text-plate-ink ring-1 ring-plate-line" aria-live="polite">
            <p className="text-plate-soft">Take</p>
            <p className="figures text-[8rem] leading-none font-bold max-sm:text-7xl">{answer.name}</p>
            <p className="mt-3 text-2xl">
              <span className="figures">{answer.mm.shown}</span> {answer.mm.unit}: {answer.does}
            </p>
          </div>
          <Cautions cautions={reply.cautions} />
          <div className="grid gap-6 md:grid-cols-2">
            <Near title="Next below, in each series" tools={answer.below} />
            <Near title="Next above" tools={answer.above} />
            {answer.cutters.length > 0 && <Near title="End mills of nearly that size" tools={answer.cutters} />}
            {answer.reamers.length > 0 && <Near title="Reamers that make another honest size" tools={answer.reamers} />}
          </div>
          <Links links={reply.links} />
          <KeepButton calculator="nearest-drill" typed={typed} unit={unit} ready={!problem} />
          <Working steps={stepsOf([answer.wanted_mm, answer.off_mm])} />
        </div>
      )}
    </div>
  );
}

function Near({ title, tools }: { title: string; tools: NearTool[] }) {
  return (
    <table className="w-full self-start">
      <caption className="text-left text-xl font-semibold">{title}</caption>
      <tbody>
        {tools.map((tool) => (
          <tr key={tool.name + tool.series} className="border-b border-line">
            <th scope="row" className="figures py-1.5 text-left text-2xl font-bold">{tool.name}</th>
            <td className="text-soft">{tool.series}</td>
            <td className="figures text-right">{tool.mm.shown}</td>
            <td className="pl-4">{tool.does}</td>
          </tr>
        ))}
        {tools.length === 0 && <tr><td className="text-soft">none</td></tr>}
      </tbody>
    </table>
  );
}
