import { useQuery } from '@tanstack/react-query';
import { type Schemas, call } from '../../api/client';
import { Button } from '../../parts/Button';
import { lock } from '../../state/door';

/** How a tablet beside the lathe gets to this Runk. */
export function Tablet() {
  const tablet = useQuery({
    queryKey: ['tablet'],
    queryFn: ({ signal }) => call<Schemas['TabletOut']>('GET', '/tablet', undefined, signal),
  });
  if (!tablet.data) return null;
  const { lan, address } = tablet.data;
  const leave = async () => {
    await call('POST', '/sign-out');
    lock();
  };
  return (
    <section aria-labelledby="tablet" className="mt-8 border-t border-line pt-4">
      <h2 id="tablet" className="text-2xl font-semibold">
        The tablet by the lathe
      </h2>
      {lan ? (
        <div className="mt-3 flex flex-wrap items-center gap-6">
          <img src="/api/tablet/qr" alt={`QR code of ${address}`} className="size-56 rounded bg-white" />
          <div className="max-w-prose space-y-2">
            <p className="figures text-3xl font-bold break-all">{address}</p>
            <p>
              Point the tablet’s camera at the code, or type the address. It asks for the pass-phrase. What travels is
              not encrypted: a network of your own only.
            </p>
            <Button onClick={() => void leave()}>Sign out here</Button>
          </div>
        </div>
      ) : (
        <p className="mt-1 max-w-prose">
          Only this machine can reach Runk now. To let a tablet of the same network in, stop Runk and start it with{' '}
          <code>runk serve --lan</code>: it asks for a pass-phrase, and shows the address here.
        </p>
      )}
    </section>
  );
}
