import { type QueryClient, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import { cutListQuery, progressKey } from './queries';

type List = Schemas['CutListView'];
type Progress = Schemas['ProgressView'];
type Spool = Schemas['SpoolView'];

/** With more that changed than this, the whole list is asked for at once. */
const FEW_SPOOLS = 8;

const cuts = (spool: Spool) => spool.steps.filter((s) => s.doneAt).length;

/** Spools that are not as the list shows them, by their ids. */
export function behind(list: List, now: Progress): number[] {
  const shown = new Map(list.spools.map((s) => [s.id, s]));
  return now.spools
    .filter(({ id, done, inHandOf }) => {
      const spool = shown.get(id);
      return spool !== undefined && (cuts(spool) !== done || spool.inHandOf !== inHandOf);
    })
    .map((s) => s.id);
}

/** The list with what is new. */
export function upToDate(list: List, now: Progress, fresh: Spool[]): List {
  const { spools: _, ...head } = now;
  const byId = new Map(fresh.map((s) => [s.id, s]));
  return { ...list, ...head, spools: list.spools.map((s) => byId.get(s.id) ?? s) };
}

/** Asks how far a list is, and then only for the spools that changed; for all of it when it was planned anew or is done. */
async function lookAgain(client: QueryClient, id: number): Promise<Progress> {
  const { queryKey } = cutListQuery(id);
  const params = { path: { id } };
  const now = await ask(api.GET('/api/cut/lists/{id}/progress', { params }));
  const list = client.getQueryData(queryKey);
  if (!list) return now;
  const changed = behind(list, now);
  const over = now.confirmedAt !== list.confirmedAt;
  if (over || now.revision !== list.revision || changed.length > FEW_SPOOLS) {
    await client.invalidateQueries({ queryKey });
    return now;
  }
  const fresh = await Promise.all(
    changed.map((spool) =>
      ask(api.GET('/api/cut/lists/{id}/spools/{spool}', { params: { path: { id, spool } } })),
    ),
  );
  // Planned anew meanwhile, it is for the next look.
  client.setQueryData(queryKey, (seen) =>
    seen?.revision === now.revision ? upToDate(seen, now, fresh) : seen,
  );
  return now;
}

/** Keeps a list that is shown up to date with what others do to it. */
export function useProgress(id: number, everyMs: number | false) {
  const client = useQueryClient();
  useQuery({
    queryKey: progressKey(id),
    queryFn: () => lookAgain(client, id),
    enabled: everyMs !== false,
    refetchInterval: everyMs,
  });
}
