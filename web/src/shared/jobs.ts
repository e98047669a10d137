import { queryOptions } from '@tanstack/react-query';
import { api, ask, type Problem, ProblemError, type Schemas } from '../api/client';

type Job = Schemas['JobView'];

const LOOK_AGAIN_MS = 300;

export const inWork = (job: Pick<Job, 'state'> | undefined) =>
  job?.state === 'WAITING' || job?.state === 'RUNNING';

const look = (id: number) => ask(api.GET('/api/jobs/{id}', { params: { path: { id } } }));

/** How long work stands; looked at again until it has ended. */
export const jobQuery = (id: number) =>
  queryOptions({
    queryKey: ['jobs', id],
    queryFn: () => look(id),
    refetchInterval: (query) => (inWork(query.state.data) || !query.state.data ? LOOK_AGAIN_MS : false),
  });

/** Nobody wants it any more. */
export const stopJob = (id: number) => ask(api.POST('/api/jobs/{id}/stop', { params: { path: { id } } }));

const STOPPED = 'STOPPED';

/**
 * What came of long work, once it has ended.
 *
 * @returns nothing when it was stopped
 * @throws ProblemError why it failed, as if it had been done at once
 */
export async function outcome<T>(id: number, pause = LOOK_AGAIN_MS): Promise<T | undefined> {
  for (;;) {
    const job = await look(id);
    if (job.problem) throw new ProblemError(job.problem as Problem);
    if (job.state === STOPPED) return undefined;
    if (!inWork(job)) return job.result as T;
    await new Promise((again) => setTimeout(again, pause));
  }
}
