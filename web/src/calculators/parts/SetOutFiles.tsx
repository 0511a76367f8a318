import { useRef, useState } from 'react';
import { type Problem, type Schemas, call, sendFile } from '../../api/client';
import { refusalOf } from '../../api/queries';
import { ToolPath } from '../../drawings/ToolPath';
import type { Given } from '../../house';
import { Box } from '../../parts/Box';
import { Button } from '../../parts/Button';
import { Download, fileAddress } from '../../parts/Download';
import { Said } from '../../parts/Said';
import { stopsAmong } from '../../parts/StopPlate';
import type { Typed } from '../../state/question';

type DryRun = Schemas['DryRun'];
type ReadIn = Schemas['ReadIn'];

interface Props extends Given {
  /** The calculator whose face it is. */
  name: 'circle' | 'path';
  /** What a file that was read puts into the question. */
  take: (read: ReadIn) => Typed | null;
}

/** The face as files: to print, to keep, to bring in, and as code with a dry run. */
export function SetOutFiles({ name, reply, typed, unit, stale, change, take }: Props) {
  const stopped = stopsAmong(reply.cautions).length > 0;
  const [problem, setProblem] = useState<Problem | null>(null);
  const [says, setSays] = useState('');
  const file = useRef<HTMLInputElement>(null);
  const address = (kind: string, more: Record<string, string> = {}) =>
    fileAddress(`/setout/${name}/${kind}`, typed, unit, more);
  const bringIn = async (chosen: File) => {
    setProblem(null);
    setSays('');
    try {
      const read = await sendFile<ReadIn>(`/setout/read?unit=${unit}`, chosen);
      const put = take(read);
      if (put) change(put);
      setSays(put ? `From ${chosen.name}: ${read.says}` : `${read.says} None of it belongs here.`);
    } catch (error) {
      setProblem(refusalOf(error));
    }
  };
  return (
    <section aria-labelledby="files" className="space-y-3 rounded-lg border border-line bg-card p-4 max-sm:p-2">
      <h2 id="files" className="text-xl font-semibold">
        On paper and in files
      </h2>
      {stopped && <p className="text-soft">Nothing is drawn for the machine or the printer while it is stopped.</p>}
      {!stale && !stopped && (
        <div className="flex flex-wrap gap-2">
          <Download href={address('pdf', { paper: 'a4' })}>Template, A4</Download>
          <Download href={address('pdf', { paper: 'letter' })}>Template, letter</Download>
          <Download href={address('svg')}>SVG</Download>
          <Download href={address('dxf')}>DXF</Download>
          {name === 'circle' && <Download href={address('csv')}>CSV</Download>}
        </div>
      )}
      <div className="flex flex-wrap items-center gap-2">
        <Button onClick={() => file.current?.click()}>Bring in a DXF or CSV</Button>
        <input
          ref={file}
          type="file"
          accept=".dxf,.csv,.txt"
          aria-label="DXF or CSV file"
          className="hidden"
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            if (chosen) void bringIn(chosen);
            event.target.value = '';
          }}
        />
      </div>
      <div aria-live="polite">
        {problem && <Said problem={problem} />}
        {says && <p className="border-l-6 border-mark bg-mark-wash px-3 py-2">{says}</p>}
      </div>
      {!stopped && <Code name={name} typed={typed} unit={unit} stale={stale} address={address} />}
    </section>
  );
}

interface CodeProps extends Pick<Given, 'typed' | 'unit' | 'stale'> {
  name: 'circle' | 'path';
  address: (kind: string, more: Record<string, string>) => string;
}

/** Code for a machine that is moved by numbers: what it would do is drawn before it is kept. */
function Code({ name, typed, unit, stale, address }: CodeProps) {
  const [metal, setMetal] = useState('');
  const [deep, setDeep] = useState('');
  const [safe, setSafe] = useState('');
  const [run, setRun] = useState<{ of: string; dry: DryRun } | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const more: Record<string, string> = { metal, safe, ...(name === 'circle' ? { drill_deep: deep } : {}) };
  const of = JSON.stringify([typed, unit, more]);
  const tryIt = async () => {
    setProblem(null);
    try {
      setRun({ of, dry: await call<DryRun>('GET', address('dry-run', more).slice('/api'.length)) });
    } catch (error) {
      setRun(null);
      setProblem(refusalOf(error));
    }
  };
  const shown = run?.of === of ? run.dry : null;
  return (
    <details className="border-t border-line pt-2">
      <summary className="min-h-11 cursor-pointer content-center text-lg font-semibold">
        Code for a machine moved by numbers
      </summary>
      <form
        className="grid items-end gap-3 sm:grid-cols-2"
        onSubmit={(event) => {
          event.preventDefault();
          void tryIt();
        }}>
        <Box label="Metal" value={metal} wrong={problem?.field === 'metal'} placeholder="brass" onChange={setMetal} />
        {name === 'circle' && (
          <Box
            label="Holes go deep"
            value={deep}
            wrong={problem?.field === 'deep' || problem?.field === 'drill_deep'}
            placeholder="5 mm"
            onChange={setDeep}
          />
        )}
        <Box
          label="Safe to travel, over the work"
          value={safe}
          wrong={problem?.field === 'safe'}
          placeholder="over every clamp, jaw and stop"
          onChange={setSafe}
        />
        <Button type="submit" disabled={stale}>
          Dry run
        </Button>
      </form>
      <div aria-live="polite" className="mt-2 space-y-2">
        {problem && <Said problem={problem} />}
        {shown && (
          <>
            <p
              className={`rounded-r-md border-l-6 px-3 py-2 ${shown.compared.agrees ? 'border-mark bg-mark-wash' : 'border-stop-edge bg-stop text-stop-ink'}`}>
              {shown.compared.says}
            </p>
            <ToolPath label={shown.compared.says} moves={shown.moves} />
            {shown.compared.agrees && <Download href={address('code', more)}>Keep the code</Download>}
            <details>
              <summary className="min-h-11 cursor-pointer content-center text-soft">Read it</summary>
              <pre className="max-h-72 overflow-auto rounded bg-paper p-2 text-base" tabIndex={0}>
                {shown.code}
              </pre>
            </details>
          </>
        )}
      </div>
    </details>
  );
}
