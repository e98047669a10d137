import {
  hashKey,
  infiniteQueryOptions,
  type Query,
  queryOptions,
  useMutation,
  useQueryClient,
} from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import type { Units } from '../../app/units';
import { sessionQuery } from '../../shared/session';
import { useRefreshWork, waitingQuery } from '../../shared/work';

export const cuttableQuery = infiniteQueryOptions({
  queryKey: ['cut', 'batches'],
  queryFn: ({ pageParam }) => ask(api.GET('/api/cut/batches', { params: { query: { after: pageParam } } })),
  initialPageParam: undefined as string | undefined,
  getNextPageParam: (page) => page.next,
});

export const cutListQuery = (id: number) =>
  queryOptions({
    queryKey: ['cut', 'list', id],
    queryFn: () => ask(api.GET('/api/cut/lists/{id}', { params: { path: { id } } })),
  });

export const progressKey = (id: number) => ['cut', 'progress', id];

export function useKeep(list: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ step, keep }: { step: number; keep: boolean }) =>
      ask(
        api.PUT('/api/cut/lists/{id}/leftovers/{step}', {
          params: { path: { id: list, step } },
          body: { keep },
        }),
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: cutListQuery(list).queryKey }),
  });
}

export function useConfirm() {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (id: number) => ask(api.POST('/api/cut/lists/{id}/confirm', { params: { path: { id } } })),
    onSuccess: refresh,
  });
}

/** Something that is done to a list; whatever comes of it, the list is looked at again. */
function useListAct<T>(id: number, act: (body: T) => Promise<unknown>) {
  const client = useQueryClient();
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: act,
    onSuccess: refresh,
    onError: () => client.invalidateQueries({ queryKey: cutListQuery(id).queryKey }),
  });
}

export function usePlanRest(id: number) {
  return useListAct<void>(id, () => ask(api.POST('/api/cut/lists/{id}/plan', { params: { path: { id } } })));
}

/** A strand whose tail is too short is cut after all. */
export function useTailTooShort(id: number) {
  return useListAct<number>(id, (strand) =>
    ask(api.POST('/api/cut/lists/{id}/trimmings/{strand}/too-short', { params: { path: { id, strand } } })),
  );
}

export function useStop(id: number) {
  return useListAct<void>(id, () => ask(api.POST('/api/cut/lists/{id}/stop', { params: { path: { id } } })));
}

export function useWish(id: number) {
  return useListAct<Schemas['Wishes']>(id, (body) =>
    ask(api.PUT('/api/cut/lists/{id}/wishes', { params: { path: { id } }, body })),
  );
}

export function useOrder(id: number) {
  return useListAct<number[]>(id, (spools) =>
    ask(api.PUT('/api/cut/lists/{id}/order', { params: { path: { id } }, body: { spools } })),
  );
}

/** What is done at the bench with a spool of a list. */
export type BenchAct =
  | { act: 'take'; over: boolean }
  | { act: 'putDown' }
  | { act: 'cut'; steps: number[]; keep?: boolean }
  | { act: 'undo' }
  | { act: 'flaw'; at: string; join: boolean; units: Units }
  | { act: 'ranOut'; left: string; units: Units }
  | { act: 'wrong'; length: string; keep: boolean; units: Units };

const bench =
  (list: number) =>
  ({ spool, ...done }: BenchAct & { spool: number }) => {
    const params = { path: { id: list, spool } };
    const base = '/api/cut/lists/{id}/spools/{spool}' as const;
    switch (done.act) {
      case 'take':
        return ask(api.POST(`${base}/take`, { params, body: { over: done.over } }));
      case 'putDown':
        return ask(api.POST(`${base}/put-down`, { params }));
      case 'cut':
        return ask(api.POST(`${base}/cuts`, { params, body: { steps: done.steps, keep: done.keep } }));
      case 'undo':
        return ask(api.POST(`${base}/undo`, { params }));
      case 'flaw':
        return ask(
          api.POST(`${base}/flaw`, { params, body: { at: done.at, join: done.join, units: done.units } }),
        );
      case 'ranOut':
        return ask(api.POST(`${base}/ran-out`, { params, body: { left: done.left, units: done.units } }));
      case 'wrong':
        return ask(
          api.POST(`${base}/wrong`, {
            params,
            body: { length: done.length, keep: done.keep, units: done.units },
          }),
        );
    }
  };

/** Only what changed is asked for after an act: a list may be long, and there are many cuts. */
export function useBench(list: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: bench(list),
    onSettled: async () => {
      const shown = [cutListQuery(list).queryKey, sessionQuery.queryKey].map(hashKey);
      const predicate = ({ queryHash }: Query) => !shown.includes(queryHash);
      // What is looked at later is asked for then; the rail stands beside the bench.
      await client.invalidateQueries({ predicate, refetchType: 'none' });
      await Promise.all(
        [progressKey(list), waitingQuery.queryKey].map((queryKey) => client.invalidateQueries({ queryKey })),
      );
    },
  });
}

/** What the cord counter shows for the spool; cuts when the length is there. */
export function useCounter(list: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ spool, anew }: { spool: number; anew: boolean }) =>
      ask(
        api.POST('/api/cut/lists/{id}/spools/{spool}/counter', {
          params: { path: { id: list, spool } },
          body: { anew },
        }),
      ),
    onSuccess: (seen) =>
      seen.stand === 'CUT_HERE' ? client.invalidateQueries({ queryKey: progressKey(list) }) : undefined,
  });
}

export const weightsQuery = queryOptions({
  queryKey: ['cut', 'weights'],
  queryFn: () => ask(api.GET('/api/cut/weights')),
});

export function useKeepWeights() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas['WeightsInput']) => ask(api.PUT('/api/cut/weights', { body })),
    onSuccess: () => client.invalidateQueries({ queryKey: weightsQuery.queryKey }),
  });
}
