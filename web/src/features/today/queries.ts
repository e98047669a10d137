import { queryOptions } from '@tanstack/react-query';
import { api, ask } from '../../api/client';

export const todayQuery = queryOptions({
  queryKey: ['today'],
  queryFn: () => ask(api.GET('/api/today')),
  refetchInterval: 60_000,
});
