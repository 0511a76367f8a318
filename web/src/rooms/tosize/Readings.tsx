import type { Cut } from '../../api/cuts';

/** What was read, beside what was wound on and what was expected. */
export function Readings({ cut }: { cut: Cut }) {
  if (cut.readings.length === 0) {
    return <p className="text-soft">Nothing measured yet. The first reading says what this lathe really does.</p>;
  }
  const hidden = cut.count - cut.readings.length;
  return (
    <table className="w-full">
      <caption className="text-left text-xl font-semibold">
        Readings
        {hidden > 0 && (
          <span className="text-base font-normal text-soft">
            {' '}
            · the last {cut.readings.length} of {cut.count}
          </span>
        )}
      </caption>
      <thead>
        <tr className="text-right text-soft">
          <th scope="col" className="text-left font-normal">
            Pass
          </th>
          <th scope="col" className="font-normal">
            Measured
          </th>
          <th scope="col" className="font-normal">
            Came off
          </th>
          <th scope="col" className="font-normal">
            Against plan
          </th>
        </tr>
      </thead>
      <tbody>
        {cut.readings.map((one) => (
          <tr key={one.event} className="border-b border-line text-right">
            <th scope="row" className="py-1.5 text-left font-normal">
              {one.kind}
            </th>
            {one.tried ? (
              <td colSpan={3} className="font-semibold">
                {one.tried}
              </td>
            ) : (
              <>
                <td className="figures font-bold">{one.size_mm.toFixed(3)}</td>
                <td className="figures">{one.took_mm.toFixed(3)}</td>
                <td className="figures">{signed(one.off_mm)}</td>
              </>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function signed(mm: number): string {
  const text = Math.abs(mm).toFixed(3);
  return text === '0.000' ? '0.000' : `${mm > 0 ? '+' : '−'}${text}`;
}
