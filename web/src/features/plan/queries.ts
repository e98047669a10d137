import { infiniteQueryOptions, useMutation } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import { useRefreshWork } from '../../shared/work';

/** Open work by set-up; only the set-ups of an order where one is named. */
export const planQuery = (order: string) =>
  infiniteQueryOptions({
    queryKey: ['plan', 'open', order],
    queryFn: ({ pageParam }) => ask(api.GET('/api/plan', { params: { query: { after: pageParam, order } } })),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next,
  });

export const batchesQuery = infiniteQueryOptions({
  queryKey: ['plan', 'batches'],
  queryFn: ({ pageParam }) => ask(api.GET('/api/plan/batches', { params: { query: { after: pageParam } } })),
  initialPageParam: undefined as string | undefined,
  getNextPageParam: (page) => page.next,
});

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
