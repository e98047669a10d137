import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';

export const planQuery = queryOptions({ queryKey: ['plan'], queryFn: () => ask(api.GET('/api/plan')) });

export const waitingQuery = queryOptions({
  queryKey: ['plan', 'waiting'],
  queryFn: () => ask(api.GET('/api/plan/waiting')),
  refetchInterval: 60_000,
});

/** Orders, plan, cut lists, stock and costs hang together; after a change all of them are asked anew. */
export function useRefreshWork() {
  const client = useQueryClient();
  return () =>
    Promise.all(
      ['orders', 'plan', 'cut', 'stock', 'costs'].map((key) => client.invalidateQueries({ queryKey: [key] })),
    );
}

export function useMakeBatch() {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (body: Schemas['NewBatch']) => ask(api.POST('/api/plan/batches', { body })),
    onSuccess: refresh,
  });
}

export function useDissolve() {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (id: number) =>
      ask(api.POST('/api/plan/batches/{id}/dissolve', { params: { path: { id } } })),
    onSuccess: refresh,
  });
}
