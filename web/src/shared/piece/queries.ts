import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import { askAgain } from '../pulling';

export const patternsQuery = queryOptions({
  queryKey: ['patterns'],
  queryFn: () => ask(api.GET('/api/patterns')),
  staleTime: Number.POSITIVE_INFINITY,
});

export const sizesQuery = queryOptions({
  queryKey: ['measures', 'sizes'],
  queryFn: () => ask(api.GET('/api/measures/sizes')),
  staleTime: Number.POSITIVE_INFINITY,
});

export const workOutQuery = (choices: Schemas['PieceChoices'], quantity: number) =>
  queryOptions({
    queryKey: ['patterns', 'work-out', choices, quantity],
    queryFn: () => ask(api.POST('/api/patterns/work-out', { body: { choices, quantity } })),
    placeholderData: keepPreviousData,
    refetchInterval: ({ state }) => askAgain(state.data?.piece?.picture.pulling),
    gcTime: 30_000,
  });
