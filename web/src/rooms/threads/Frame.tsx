import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import type { Figure } from '../../api/queries';
import { Cautions } from '../../parts/Cautions';
import { KeepButton } from '../../parts/KeepButton';
import { Links } from '../../parts/Links';
import { Question } from '../../parts/Question';
import { Working, stepsOf } from '../../parts/Working';
import type { useAsked } from '../../parts/useAsked';
import { ThreadTabs } from './ThreadTabs';

interface Reply {
  cautions: Schemas['CautionWire'][];
  links: Schemas['LinkWire'][];
  readings: Record<string, Schemas['ReadingWire']>;
}

interface Props {
  name: string;
  title: string;
  asked: ReturnType<typeof useAsked>;
  reply: Reply | undefined;
  figures: (Figure | null | undefined)[];
  plate: ReactNode;
  side?: ReactNode;
  actions?: ReactNode;
  children?: ReactNode;
}

/** What every job with a thread has in common: the sentence, the plate, cautions, working. */
export function Frame({ name, title, asked, reply, figures, plate, side, actions, children }: Props) {
  const { unit, typed, calculator, problem } = asked;
  if (!calculator) return <p className="py-10 text-soft">Fetching the room …</p>;
  const faded = problem ? 'opacity-40' : '';
  return (
    <div className={`grid gap-x-6 gap-y-5 ${side ? 'lg:grid-cols-[minmax(0,1.6fr)_minmax(20rem,1fr)]' : 'max-w-5xl'}`}>
      <div className="min-w-0 space-y-4">
        <ThreadTabs />
        <h1 className="sr-only">{title}</h1>
        <Question asked={asked} readings={reply?.readings ?? {}} />
        {reply && (
          <div className={`settles space-y-4 ${faded}`} inert={Boolean(problem)}>
            <div className="rounded-lg bg-plate p-5 text-plate-ink ring-1 ring-plate-line" aria-live="polite">
              {plate}
            </div>
            <Cautions cautions={reply.cautions.filter((caution) => caution.word === 'Stop')} />
            {children}
            <div className="flex flex-wrap gap-2">
              {actions}
              <KeepButton calculator={name} typed={typed} unit={unit} ready={!problem} />
            </div>
            <Links links={reply.links} />
            <Cautions cautions={reply.cautions.filter((caution) => caution.word !== 'Stop')} />
            <Working steps={stepsOf(figures)} />
          </div>
        )}
      </div>
      {reply && side && <div className={`min-w-0 space-y-5 ${faded}`}>{side}</div>}
    </div>
  );
}

export function Drawn({ children }: { children: ReactNode }) {
  return <div className="rounded-lg border border-line bg-card p-4 max-sm:p-2">{children}</div>;
}

/** A number on the plate with its name over it. */
export function Big({ name, value, under, first }: { name: string; value: string; under?: string; first?: boolean }) {
  return (
    <div>
      <dt className="text-plate-soft">{name}</dt>
      <dd>
        <span className={`figures leading-none font-bold ${first ? 'text-[7rem] max-sm:text-6xl' : 'text-4xl max-sm:text-3xl'}`}>{value}</span>
        <span className="block text-xl text-plate-soft">{under || '\u00a0'}</span>
      </dd>
    </div>
  );
}

export function Row({ name, figure }: { name: string; figure: { shown: string; unit: string } | null | undefined }) {
  if (!figure) return null;
  return (
    <div className="flex justify-between gap-4 py-1.5">
      <dt className="text-soft">{name}</dt>
      <dd>
        <b className="figures">{figure.shown}</b> {figure.unit}
      </dd>
    </div>
  );
}
