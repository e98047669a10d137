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

export const materialsQuery = queryOptions({
  queryKey: ['measures', 'materials'],
  queryFn: () => ask(api.GET('/api/measures/materials')),
  staleTime: Number.POSITIVE_INFINITY,
});

/** How many pieces somebody wants, whether they must match, and when. */
export interface Wanted {
  quantity: number;
  matching: boolean;
  due: string;
}

type Answer = Omit<Schemas['LineTrial'], 'promise' | 'price'> & {
  promise?: Schemas['PromiseView'];
  price?: Schemas['LinePrice'];
};

const same = (answer: Answer) => answer;

/** Works a piece out; for an order, against stock and calendar too. */
export const workOutQuery = (choices: Schemas['PieceChoices'], wanted?: Wanted) =>
  queryOptions({
    queryKey: ['patterns', 'work-out', choices, wanted],
    queryFn: (): Promise<Answer> =>
      wanted
        ? ask(api.POST('/api/orders/trial', { body: { choices, ...wanted } }))
        : ask(api.POST('/api/patterns/work-out', { body: { choices, quantity: 1 } })),
    // What a choice leaves as it was stays the same object from answer to answer, and is not drawn again.
    select: same,
    placeholderData: keepPreviousData,
    refetchInterval: ({ state }) => askAgain(state.data?.piece?.picture.pulling),
    gcTime: 30_000,
  });
