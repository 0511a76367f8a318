import { useShop } from '../api/queries';
import { Link } from 'wouter';

/** Said while the invented workshop answers. */
export function StandIn() {
  const shop = useShop();
  if (!shop.data?.stand_in) return null;
  return (
    <p className="mb-3 border-l-6 border-mark bg-mark-wash px-3 py-2">
      No machine of yours is kept yet: these answers are for an invented workshop’s.{' '}
      <Link to="/workshop/new" className="underline">
        Add your own
      </Link>
      : one line, as its plate has the speeds.
    </p>
  );
}
