import { type SubmitEvent, useState } from 'react';
import { type Problem, ServerGone, call } from '../api/client';
import { client, refusalOf } from '../api/queries';
import { unlock } from '../state/door';
import { BOX } from './Box';
import { Button } from './Button';
import { Said } from './Said';
import { Heading } from './Heading';

/** The pass-phrase, asked for on a tablet before anything is shown. */
export default function SignIn() {
  const [phrase, setPhrase] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  const [gone, setGone] = useState(false);
  const [trying, setTrying] = useState(false);
  const send = async (event: SubmitEvent) => {
    event.preventDefault();
    setTrying(true);
    setProblem(null);
    setGone(false);
    try {
      await call('POST', '/sign-in', { phrase });
      unlock();
      await client.resetQueries();
    } catch (error) {
      setProblem(refusalOf(error));
      setGone(error instanceof ServerGone);
    } finally {
      setTrying(false);
    }
  };
  return (
    <form onSubmit={(event) => void send(event)} className="mx-auto mt-10 max-w-xl space-y-4">
      <Heading className="text-4xl font-semibold">Who is there?</Heading>
      <p className="text-xl">Type the pass-phrase shown where Runk was started. Capitals make no difference.</p>
      <label className="block">
        <span className="text-soft">Pass-phrase</span>
        <input
          autoFocus
          value={phrase}
          onChange={(event) => setPhrase(event.target.value)}
          autoComplete="current-password"
          autoCapitalize="none"
          spellCheck={false}
          aria-invalid={problem !== null}
          className={`${BOX} min-h-14 border-line text-2xl`}
        />
      </label>
      {problem && <Said problem={problem} />}
      {gone && <p role="alert">The server does not answer. Try again when it is back.</p>}
      <Button look="main" type="submit" disabled={trying} className="min-h-14 w-full text-2xl">
        {trying ? 'Looking …' : 'Come in'}
      </Button>
    </form>
  );
}
