import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask } from '../api/client';

export const waitingQuery = queryOptions({
  queryKey: ['plan', 'waiting'],
  queryFn: () => ask(api.GET('/api/plan/waiting')),
  refetchInterval: 60_000,
});

export const todayQuery = queryOptions({
  queryKey: ['today'],
  queryFn: () => ask(api.GET('/api/today')),
  refetchInterval: 60_000,
});

/** What should be ordered first. */
export const buyFirstQuery = queryOptions({
  queryKey: ['stock', 'buy-first'],
  queryFn: () => ask(api.GET('/api/stock/buy')),
});

/** Orders, plan, cut lists, stock and costs hang together; after a change all of them are asked anew. */
export function useRefreshWork() {
  const client = useQueryClient();
  return () =>
    Promise.all(
      ['orders', 'plan', 'cut', 'bench', 'today', 'stock', 'costs'].map((key) =>
        client.invalidateQueries({ queryKey: [key] }),
      ),
    );
}

export function usePropose() {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (batches: number[]) => ask(api.POST('/api/cut/lists', { body: { batches } })),
    // Not waited for: whoever goes on to the list is gone from here by then.
    onSuccess: () => {
      refresh();
    },
  });
}
