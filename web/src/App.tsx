import { useEffect } from 'react';
import { Redirect, Route, Switch, useLocation } from 'wouter';
import { useCalculators } from './api/queries';
import { VIEWS, placeAt, placesOf } from './house';
import { Room } from './parts/Room';
import { Fetching, Shell } from './parts/Shell';
import { visit } from './state/visited';
import { Heading } from './parts/Heading';

/** Every place of the house: the calculators' rooms as the server tells them, and the other views. */
export function App() {
  const calculators = useCalculators();
  const [path] = useLocation();
  const known = calculators.data;
  useEffect(() => {
    const here = known && placeAt(placesOf(known), path);
    if (here) visit(here);
  }, [known, path]);
  return (
    <Shell>
      <Switch>
        <Route path="/">
          <Redirect to="/speeds" replace />
        </Route>
        {(known ?? []).map((calculator) => (
          <Route key={calculator.name} path={calculator.door.path}>
            <Room key={calculator.name} calculator={calculator} />
          </Route>
        ))}
        {VIEWS.map(({ path: at, Room: View }) => (
          <Route key={at} path={at}>
            <View />
          </Route>
        ))}
        <Route>{known ? <Nowhere /> : <Fetching />}</Route>
      </Switch>
    </Shell>
  );
}

function Nowhere() {
  return (
    <div className="max-w-3xl space-y-2 py-10">
      <Heading className="text-3xl font-semibold">There is no such room</Heading>
      <p>The rooms stand on the rule above; or ask for what is to be done with Ctrl K.</p>
    </div>
  );
}
