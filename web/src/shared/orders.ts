import { infiniteQueryOptions, keepPreviousData } from '@tanstack/react-query';
import { api, ask } from '../api/client';
import type { paths } from '../api/schema';

export type OrderFilter = NonNullable<paths['/api/orders']['get']['parameters']['query']>;

export const ordersQuery = (filter: OrderFilter) =>
  infiniteQueryOptions({
    queryKey: ['orders', 'list', filter],
    queryFn: ({ pageParam }) =>
      ask(api.GET('/api/orders', { params: { query: { ...filter, after: pageParam } } })),
    initialPageParam: '',
    getNextPageParam: (page) => page.next,
    placeholderData: keepPreviousData,
  });
