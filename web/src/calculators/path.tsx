import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Schemas, call } from '../api/client';
import { ProfileView } from '../drawings/ProfileView';
import type { Extras, Given } from '../house';
import { BenchSteps } from '../parts/BenchSteps';
import { Drawn } from '../parts/Drawn';
import { stopsAmong } from '../parts/StopPlate';
import { SetOutFiles } from './parts/SetOutFiles';

type Reply = Schemas['PathReply'];

function Beside({ reply, typed, unit, stale }: Given<Reply>) {
  const sweep = useQuery({
    queryKey: ['profile', typed, unit],
    queryFn: ({ signal }) => call<Schemas['PathDrawn']>('POST', '/calc/path/drawn', { ...typed, unit }, signal),
    placeholderData: keepPreviousData,
    enabled: !stale,
  });
  if (!sweep.data) return null;
  const { x, y, bulge, path_x, path_y, path_bulge } = sweep.data;
  return (
    <Drawn title="The profile and the cutter’s way, to scale">
      <ProfileView
        label={reply.headline}
        profile={{ x, y, bulge }}
        path={{ x: path_x, y: path_y, bulge: path_bulge }}
        cutter={reply.answer.cutter_mm.value}
      />
    </Drawn>
  );
}

/** Every move in its turn. */
function Bench({ reply, close }: Given<Reply> & { close: () => void }) {
  const { answer } = reply;
  const start = `x ${answer.start_x_mm.shown} y ${answer.start_y_mm.shown}`;
  return (
    <BenchSteps
      title={reply.read_as}
      stops={stopsAmong(reply.cautions)}
      steps={[
        { does: 'Begin at', number: start, unit: answer.start_x_mm.unit, under: answer.says, ahead: 'the start' },
        ...answer.moves.map((move) => ({
          does: `Move ${move.move} of ${answer.moves.length}: ${move.goes}`,
          number: `x ${move.x_mm.shown} y ${move.y_mm.shown}`,
          unit: move.x_mm.unit,
          under:
            move.radius_mm && move.centre_x_mm && move.centre_y_mm
              ? `radius ${move.radius_mm.shown} about ${move.centre_x_mm.shown}, ${move.centre_y_mm.shown}`
              : '',
          ahead: `move ${move.move}`,
        })),
      ]}
      ends="Once round."
      close={close}
    />
  );
}

function Files(given: Given<Reply>) {
  return (
    <SetOutFiles
      {...given}
      name="path"
      take={({ corners }) => (corners ? { profile: 'corners', corners, x: '', y: '' } : null)}
    />
  );
}

export default { side: Beside, also: Files, bench: Bench } satisfies Extras<Reply>;
