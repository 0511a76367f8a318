import type { Plan } from '../../api/cuts';
import type { Figure } from '../../api/queries';

/** The one thing to do next, the largest on the page. */
export function NextPlate({ plan, first, thread = false }: { plan: Plan; first: boolean; thread?: boolean }) {
  const told = plan.passes[0];
  const [verb, big] = split(plan.next_says);
  const rough = told?.kind === 'rough' || told?.kind === 'plunge';
  const setting = rough ? plan.rough_set : plan.finish_set;
  const feed = rough ? plan.rough_feed_mm_per_rev : plan.finish_feed_mm_per_rev;
  return (
    <div className="rounded-lg bg-plate p-1.5 text-plate-ink ring-1 ring-plate-line" aria-live="polite">
      <div className="rounded-md border border-plate-line p-4 sm:p-5">
        {first && told && <p className="mb-3 text-xl text-plate-soft">First: {plan.start_says}</p>}
        <div className="flex flex-wrap items-end justify-between gap-x-8 gap-y-3">
          <div>
            <p className="text-plate-soft">
              {verb}
              {told?.divisions && verb === 'Wind on' && ', in divisions'}
            </p>
            <p className={`figures leading-none font-bold ${size(big)}`}>{big}</p>
          </div>
          {told && (
            <dl className="flex flex-wrap gap-x-8 gap-y-2">
              {told.kind !== 'first' && !thread && (
                <Beside name={told.kind === 'plunge' ? 'Width it takes' : 'Takes'} figure={told.take_mm} />
              )}
              {told.kind !== 'plunge' && told.reads && (
                <Beside name={thread ? 'Then over the wires' : 'Then measures'} figure={told.to_mm} />
              )}
            </dl>
          )}
        </div>
        <p className="mt-3 text-xl text-plate-soft">{plan.next_detail}</p>
        {told && (setting || feed) && (
          <p className="mt-3 border-t border-plate-line pt-3 text-xl">
            {setting && <b className="font-semibold">{setting}</b>}
            {feed && (
              <span className="text-plate-soft">
                {setting && ', '}feed {feed.shown} {feed.unit}
              </span>
            )}
          </p>
        )}
      </div>
    </div>
  );
}

function Beside({ name, figure }: { name: string; figure: Figure }) {
  return (
    <div>
      <dt className="text-plate-soft">{name}</dt>
      <dd>
        <span className="figures text-4xl leading-tight font-bold max-sm:text-3xl">{figure.shown}</span>{' '}
        <span className="text-xl text-plate-soft">{figure.unit}</span>
      </dd>
    </div>
  );
}

/** The verb apart, so that the number can be the largest. */
export function split(says: string): [string, string] {
  const place = /^(\S+ to) (\S+(?: \d\/\d)?)(?: \((.+)\))?$/.exec(says);
  if (place) return [place[3] ? `${place[1]!}, ${place[3]} from nought` : place[1]!, place[2]!];
  const wind = /^(Wind on) (.+)$/.exec(says) ?? /^(Stop): (.+)$/.exec(says);
  return wind ? [wind[1]!, wind[2]!] : ['Next', says];
}

function size(big: string): string {
  if (big.length <= 2) return 'text-[10rem] max-sm:text-8xl';
  if (big.length <= 10) return 'text-8xl max-sm:text-6xl';
  return 'text-6xl max-sm:text-5xl';
}
