import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import type { paths } from '../../api/schema';

export type CostSum = Schemas['CostSum'];
export type Asked = NonNullable<paths['/api/costs/sums']['get']['parameters']['query']>;
export type By = NonNullable<Asked['by']>;

export const sumsQuery = (asked: Asked) =>
  infiniteQueryOptions({
    queryKey: ['costs', 'sums', asked],
    queryFn: ({ pageParam }) =>
      ask(api.GET('/api/costs/sums', { params: { query: { ...asked, after: pageParam } } })),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next,
    placeholderData: keepPreviousData,
  });

export const earningsQuery = (from: string, to: string) =>
  queryOptions({
    queryKey: ['costs', 'earnings', from, to],
    queryFn: () => ask(api.GET('/api/costs/earnings', { params: { query: { from, to } } })),
    placeholderData: keepPreviousData,
  });

export const changesQuery = (piece: number) =>
  queryOptions({
    queryKey: ['costs', 'changes', piece],
    queryFn: () => ask(api.GET('/api/costs/pieces/{piece}/changes', { params: { path: { piece } } })),
  });
