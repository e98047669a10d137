import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../api/client';

export const waysQuery = queryOptions({
  queryKey: ['ways'],
  queryFn: () => ask(api.GET('/api/ways')),
});

export function useKeepWays() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas['WaysView']) => ask(api.PUT('/api/ways', { body })),
    onSettled: () => client.invalidateQueries({ queryKey: waysQuery.queryKey }),
  });
}
