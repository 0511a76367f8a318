import type { Schemas } from '../../api/client';

type Candidate = Schemas['CandidateWire'];
const MOST = 8;
const SPAN_PERCENT = 15;

/** The metals in order of how well they fit, each with how far its density is off. */
export function Candidates({ candidates }: { candidates: Candidate[] }) {
  return (
    <table className="w-full">
      <caption className="text-left text-lg font-semibold">How far each is off</caption>
      <thead className="sr-only">
        <tr>
          <th scope="col">Metal</th>
          <th scope="col">Density</th>
          <th scope="col">Off</th>
          <th scope="col">Against it</th>
        </tr>
      </thead>
      <tbody>
        {candidates.slice(0, MOST).map((candidate) => (
          <tr key={candidate.metal} className="border-b border-line">
            <th
              scope="row"
              className={`py-2 pr-3 text-left ${candidate.fits ? 'font-semibold' : 'font-normal text-soft'}`}>
              {candidate.name}
            </th>
            <td className="figures pr-3 text-right text-base max-sm:hidden">{candidate.density_g_per_cm3.shown}</td>
            <td className="w-2/5 max-sm:w-1/4">
              <Off percent={candidate.off_percent.value} shown={candidate.off_percent.shown} fits={candidate.fits} />
            </td>
            <td className="pl-3 text-soft max-sm:hidden">{candidate.against.join(', ')}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Off({ percent, shown, fits }: { percent: number; shown: string; fits: boolean }) {
  const wide = (Math.min(Math.abs(percent), SPAN_PERCENT) / SPAN_PERCENT) * 50;
  return (
    <span className="flex items-center gap-2">
      <svg viewBox="0 0 100 12" className="h-4 min-w-0 flex-1" aria-hidden preserveAspectRatio="none">
        <line x1={50} x2={50} y1={0} y2={12} stroke="var(--soft)" vectorEffect="non-scaling-stroke" />
        <rect
          x={percent < 0 ? 50 - wide : 50}
          y={2}
          width={Math.max(wide, 0.6)}
          height={8}
          fill={fits ? 'var(--mark)' : 'var(--line)'}
        />
      </svg>
      <span className="figures w-20 shrink-0 text-right whitespace-nowrap text-base">
        {percent > 0 ? '+' : ''}
        {shown} %
      </span>
    </span>
  );
}
