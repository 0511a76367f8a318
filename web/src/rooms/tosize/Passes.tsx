import type { Plan } from '../../api/cuts';

/** Every pass to come, as told before anything is measured. */
export function Passes({ plan }: { plan: Plan }) {
  if (plan.passes.length === 0) return null;
  const groove = plan.passes[0]!.kind === 'plunge' || plan.passes[0]!.kind === 'finish';
  return (
    <div className="overflow-x-auto">
      <table className="w-full">
        <caption className="text-left text-xl font-semibold">
          All {plan.passes.length} passes <span className="text-base font-normal text-soft">{plan.dial_says}</span>
        </caption>
        <thead>
          <tr className="text-right text-soft">
            <th scope="col" className="text-left font-normal">
              Pass
            </th>
            <th scope="col" className="text-left font-normal">
              Wind on
            </th>
            <th scope="col" className="pl-4 font-normal">
              {groove ? 'Edge at' : 'Takes'}
            </th>
            {!groove && (
              <th scope="col" className="pl-4 font-normal">
                Leaves
              </th>
            )}
            <th scope="col" className="pl-4 text-left font-normal">
              Then
            </th>
          </tr>
        </thead>
        <tbody>
          {plan.passes.map((pass, n) => (
            <tr key={n} className="border-b border-line text-right">
              <th scope="row" className="py-1.5 text-left font-normal">
                {n + 1} {pass.kind}
                {plan.passes.some((p) => p.end === 2) && <span className="text-soft"> · end {pass.end}</span>}
              </th>
              <td className="text-left">
                {pass.dial}
                {pass.stands_at && <span className="text-soft"> · {pass.stands_at}</span>}
              </td>
              <td className="figures pl-4">{groove ? pass.to_mm.shown : pass.take_mm.shown}</td>
              {!groove && <td className="figures pl-4 font-bold">{pass.to_mm.shown}</td>}
              <td className="pl-4 text-left text-soft">{pass.measure ? 'measure' : ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
