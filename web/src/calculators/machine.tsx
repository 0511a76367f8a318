import { useState } from 'react';
import { Link, useLocation } from 'wouter';
import { type Problem, type Schemas, call } from '../api/client';
import { client, refusalOf } from '../api/queries';
import type { Extras, Given } from '../house';
import { Button } from '../parts/Button';
import { NotSaved } from '../parts/NotSaved';
import { setQuestion } from '../state/question';

type Reply = Schemas['MachineReply'];

/** Keep the machine; the next thing is its first belt. */
function Save({ typed, unit, stale }: Given<Reply>) {
  const [, go] = useLocation();
  const [problem, setProblem] = useState<Problem | null>(null);
  const [gone, setGone] = useState(false);
  const save = async () => {
    try {
      await call('POST', '/machines/from-plate', { question: typed, unit });
    } catch (error) {
      setProblem(refusalOf(error));
      setGone(!refusalOf(error));
      return;
    }
    setQuestion('machine', {});
    // A question about the invented workshop's machine is one about this one now.
    await client.invalidateQueries();
    go('/speeds');
  };
  return (
    <>
      <Button look="main" className="px-5 text-xl" disabled={stale} onClick={() => void save()}>
        It is so: keep it, show me a belt
      </Button>
      <Link to="/workshop" className="inline-flex min-h-11 items-center px-2 text-mark">
        Pulleys, limits, backlash: the long form
      </Link>
      <NotSaved problem={problem} gone={gone} />
    </>
  );
}

export default { actions: Save, noBench: true, noKeep: true } satisfies Extras<Reply>;
