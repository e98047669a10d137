import type { Schemas } from '../api/client';

type Pulling = Schemas['PullingView'];

const ASK_AGAIN_MS = 1500;

/** Whether a stitch is still being pulled tight. */
export const isPulling = (pulling: Pulling[] | undefined) =>
  (pulling ?? []).some((p) => p.state === 'WAITING' || p.state === 'RUNNING');

/** How long to wait before a picture is asked for again; not at all once every stitch has come to its end. */
export const askAgain = (pulling: Pulling[] | undefined): number | false =>
  isPulling(pulling) ? ASK_AGAIN_MS : false;
