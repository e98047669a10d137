import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import { useRefreshWork } from '../plan/queries';

export const cuttableQuery = queryOptions({
  queryKey: ['cut', 'batches'],
  queryFn: () => ask(api.GET('/api/cut/batches')),
});

export const cutListQuery = (id: number) =>
  queryOptions({
    queryKey: ['cut', 'list', id],
    queryFn: () => ask(api.GET('/api/cut/lists/{id}', { params: { path: { id } } })),
  });

export function usePropose() {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (batch: number) => ask(api.POST('/api/cut/lists', { body: { batch } })),
    onSuccess: refresh,
  });
}

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
