import { useState } from 'react';
import { call } from '../../api/client';
import { type Metal, client, useMetals } from '../../api/queries';
import { Button } from '../../parts/Button';
import { RoomTabs } from '../../parts/RoomTabs';
import { offerUndo } from '../../state/undo';
import { MetalEditor } from './MetalEditor';
import { Heading } from '../../parts/Heading';

/** Figures that have a column of their own, with its short heading. */
const COLUMNS: Record<string, string> = {
  hss_m_min: 'HSS m/min',
  carbide_m_min: 'Carbide m/min',
  kc11_n_per_mm2: 'kc1.1 N/mm²',
  e_gpa: 'E GPa',
  rm_n_per_mm2: 'Rm N/mm²',
  expansion_um_per_m_k: 'Expansion µm/m·K',
  density_g_cm3: 'Density g/cm³',
};
const WIDE_ONLY = new Set(['kc11_n_per_mm2', 'e_gpa', 'rm_n_per_mm2', 'expansion_um_per_m_k']);

/** Every metal the sums know, the shipped ones and one's own, each figure with who says so. */
export default function MetalsRoom() {
  const metals = useMetals();
  const [editing, setEditing] = useState<{ from: Metal; copy: boolean } | null>(null);
  const all = metals.data ?? [];
  const likeOf = (metal: Metal) => all.find((m) => m.key === (metal.own?.like ?? metal.key)) ?? metal;
  const remove = async (metal: Metal) => {
    await call('DELETE', `/metals/${metal.key}`);
    await client.invalidateQueries();
    offerUndo({
      says: `${metal.name} taken out`,
      undo: () => call('POST', `/metals/${metal.key}/back`).then(() => client.invalidateQueries()),
    });
  };
  if (editing) {
    const { from, copy } = editing;
    return <MetalEditor from={from} like={likeOf(from)} copy={copy} close={() => setEditing(null)} />;
  }
  const sorted = [...all.filter((m) => m.own), ...all.filter((m) => !m.own)];
  return (
    <section aria-labelledby="metals-list" className="min-w-0 space-y-3">
      <RoomTabs room="Metals" />
      <Heading id="metals-list" className="text-3xl font-semibold">
        The metals
      </Heading>
      <p className="text-soft">
        Copy one to put in figures of your own: from a supplier’s sheet, or what your shop has learned. Yours are used
        everywhere.
      </p>
      <table className="mt-2 w-full">
        <thead>
          <tr className="border-b-2 border-strong text-left align-bottom text-soft">
            <th scope="col" className="py-1 pr-3 font-medium">
              Metal
            </th>
            {Object.entries(COLUMNS).map(([name, heading]) => (
              <th
                key={name}
                scope="col"
                className={`py-1 pr-3 text-right font-medium ${WIDE_ONLY.has(name) ? 'max-lg:hidden' : 'max-sm:hidden'}`}>
                {heading}
              </th>
            ))}
            <th scope="col" className="py-1 pr-3 font-medium max-lg:hidden">
              Magnet
            </th>
            <th scope="col">
              <span className="sr-only">Change</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {sorted.map((metal) => (
            <tr key={metal.key} className="border-b border-line">
              <th scope="row" className="py-1 pr-3 text-left font-semibold">
                {metal.name}
                {metal.own && <Mine />}
                <span className="block font-normal text-soft">
                  {metal.designation || (metal.own ? `like ${likeOf(metal).name}` : '')}
                </span>
              </th>
              {metal.figures
                .filter((figure) => COLUMNS[figure.name])
                .map((figure) => (
                  <td
                    key={figure.name}
                    className={`figures pr-3 text-right text-base ${WIDE_ONLY.has(figure.name) ? 'max-lg:hidden' : 'max-sm:hidden'}`}>
                    {figure.value}
                    {figure.source.tag === 'yours' && <Mine />}
                  </td>
                ))}
              <td className="pr-3 max-lg:hidden">{metal.magnet}</td>
              <td className="text-right whitespace-nowrap">
                <Button
                  look="quiet"
                  aria-label={`Copy ${metal.name}`}
                  onClick={() => setEditing({ from: metal, copy: true })}>
                  Copy
                </Button>
                {metal.own && (
                  <>
                    <Button
                      look="quiet"
                      aria-label={`Change ${metal.name}`}
                      onClick={() => setEditing({ from: metal, copy: false })}>
                      Change
                    </Button>
                    <Button look="quiet" aria-label={`Take out ${metal.name}`} onClick={() => void remove(metal)}>
                      ✕
                    </Button>
                  </>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-soft">
        Figures without a mark are handbook ranges quoted from memory; the working of every answer names each.
      </p>
    </section>
  );
}

function Mine() {
  return <span className="ml-1 rounded bg-mark-wash px-1 font-words text-base font-medium text-mark">mine</span>;
}
