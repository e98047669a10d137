import { queryOptions } from '@tanstack/react-query';
import { api, ask } from '../api/client';

export const devicesQuery = queryOptions({
  queryKey: ['stock', 'devices'],
  queryFn: () => ask(api.GET('/api/stock/devices')),
  staleTime: Number.POSITIVE_INFINITY,
});
