import { useRef, useState } from 'react';
import { type Problem, sendFile } from '../../api/client';
import { type Engine, client, refusalOf } from '../../api/queries';
import { Button } from '../../parts/Button';
import { Download } from '../../parts/Download';
import { Said } from '../../parts/Said';
import { usePrefs } from '../../state/prefs';

/** An engine out as a file, and one in: JSON whole, or a list of its parts as CSV. */
export function EngineFiles({ id, opened }: { id?: number; opened: (id: number) => void }) {
  const { unit } = usePrefs();
  const file = useRef<HTMLInputElement>(null);
  const [name, setName] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  const bringIn = async (chosen: File) => {
    setProblem(null);
    try {
      const made = await sendFile<Engine>(`/engines/file?${new URLSearchParams({ engine: name, unit })}`, chosen);
      await client.invalidateQueries({ queryKey: ['engines'] });
      opened(made.id);
      setName('');
    } catch (error) {
      setProblem(refusalOf(error));
    }
  };
  return (
    <section className="space-y-2" aria-label="Engines as files">
      <div className="flex flex-wrap items-center gap-2">
        {id !== undefined && <Download href={`/api/engines/${id}/file`}>Save it as JSON</Download>}
        <input
          aria-label="Name of the engine brought in"
          placeholder="Call it something else"
          value={name}
          onChange={(event) => setName(event.target.value)}
          className="min-h-11 min-w-64 flex-1 rounded border border-line bg-card px-2"
        />
        <Button onClick={() => file.current?.click()}>Bring in JSON or CSV</Button>
        <input
          ref={file}
          type="file"
          accept=".json,.csv,application/json,text/csv"
          aria-label="File of an engine"
          className="hidden"
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            if (chosen) void bringIn(chosen);
            event.target.value = '';
          }}
        />
      </div>
      {problem && <Said problem={problem} />}
    </section>
  );
}
