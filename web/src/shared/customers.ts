import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query';
import { api, ask } from '../api/client';

/** Customers by name, of whom something holds all the words. */
export const customersQuery = (query: string) =>
  infiniteQueryOptions({
    queryKey: ['customers', 'list', query],
    queryFn: ({ pageParam }) =>
      ask(api.GET('/api/customers', { params: { query: { query, after: pageParam || undefined } } })),
    initialPageParam: '',
    getNextPageParam: (page) => page.next,
    placeholderData: keepPreviousData,
  });

export const customerQuery = (id: number) =>
  queryOptions({
    queryKey: ['customers', 'one', id],
    queryFn: () => ask(api.GET('/api/customers/{id}', { params: { path: { id } } })),
  });
