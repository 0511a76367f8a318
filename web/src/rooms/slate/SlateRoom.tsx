import { Heading } from '../../parts/Heading';
import { SlateList } from '../../parts/SlateList';

/** Everything kept. Engines and their parts have a room of their own. */
export default function SlateRoom() {
  return (
    <section className="max-w-4xl">
      <Heading className="border-b border-line pb-2 text-3xl font-semibold">Slate</Heading>
      <SlateList />
    </section>
  );
}
