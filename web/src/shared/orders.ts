import { infiniteQueryOptions, keepPreviousData, useMutation } from '@tanstack/react-query';
import { api, ask } from '../api/client';
import type { paths } from '../api/schema';
import { useRefreshWork } from './work';

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

/** The same order again, as a draft. */
export function useAgain(id: number) {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: () => ask(api.POST('/api/orders/{id}/again', { params: { path: { id } } })),
    // Not waited for: whoever goes on to the copy is gone from here by then.
    onSuccess: () => {
      refresh();
    },
  });
}
