import { useLocation } from 'wouter';
import type { Schemas } from '../api/client';
import { useMetals } from '../api/queries';
import type { Extras, Given } from '../house';
import { Button } from '../parts/Button';
import { Download, fileAddress } from '../parts/Download';
import { type Typed, setQuestion } from '../state/question';
import { SheetTable } from './parts/SheetTable';

type Reply = Schemas['SheetReply'];
type Sheet = Given<Reply>;

function Choose({ typed, change }: Sheet) {
  return <Metals chosen={typed.metals ?? ''} choose={(metals) => change({ metals })} />;
}

function OnTheWall({ reply: { answer }, typed }: Sheet) {
  const [, go] = useLocation();
  const open = (metal: string, mm: number) => {
    const cut: Typed = { metal, diameter: `${mm} mm`, operation: typed.operation || 'turn' };
    for (const name of ['tool', 'machine', 'held', 'school']) if (typed[name]) cut[name] = typed[name];
    setQuestion('speed', cut);
    go('/speeds');
  };
  return (
    <>
      <SheetTable answer={answer} open={open} />
      {answer.notes.map((note) => (
        <p key={note} className="text-soft">
          {note}
        </p>
      ))}
    </>
  );
}

function TakeIt({ typed, unit }: Sheet) {
  const address = (file: string, paper?: string) => fileAddress(`/sheet/${file}`, typed, unit, paper ? { paper } : {});
  return (
    <>
      <Download href={address('pdf', 'a4')}>Print on A4</Download>
      <Download href={address('pdf', 'letter')}>Print on letter</Download>
      <Download href={address('csv')}>CSV</Download>
    </>
  );
}

/** Metals as buttons to press in and out; none pressed means every one. */
function Metals({ chosen, choose }: { chosen: string; choose: (metals: string) => void }) {
  const metals = useMetals();
  const all = metals.data ?? [];
  const named = new Set(chosen.split(/[,;]/).map((name) => name.trim().toLowerCase()));
  const pressed = all.filter((m) => named.has(m.key) || named.has(m.name.toLowerCase()));
  const turn = (key: string) => {
    const on = pressed.some((m) => m.key === key);
    const next = all.filter((m) => (m.key === key ? !on : pressed.includes(m)));
    choose(next.map((m) => m.name).join(', '));
  };
  return (
    <details className="rounded-lg border border-line bg-card px-3">
      <summary className="min-h-11 cursor-pointer content-center">
        {pressed.length === 0 ? 'Every metal' : `${pressed.length} of ${all.length} metals`}: choose which
      </summary>
      <div className="flex flex-wrap gap-2 pb-3">
        {all.map((metal) => (
          <Button
            key={metal.key}
            aria-pressed={pressed.includes(metal)}
            look={pressed.includes(metal) ? 'main' : 'plain'}
            onClick={() => turn(metal.key)}>
            {metal.name}
          </Button>
        ))}
        {pressed.length > 0 && (
          <Button look="quiet" onClick={() => choose('')}>
            Every metal
          </Button>
        )}
      </div>
    </details>
  );
}

export default { above: Choose, plate: OnTheWall, actions: TakeIt, noBench: true } satisfies Extras<Reply>;
