import { infiniteQueryOptions, useMutation } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../api/client';
import { useRefreshWork } from './work';

/** The pieces of an order by line and number. */
export const piecesQuery = (id: number) =>
  infiniteQueryOptions({
    queryKey: ['orders', 'one', id, 'pieces'],
    queryFn: ({ pageParam }) =>
      ask(
        api.GET('/api/orders/{id}/pieces', {
          params: { path: { id }, query: { after: pageParam || undefined } },
        }),
      ),
    initialPageParam: '',
    getNextPageParam: (page) => page.next,
  });

export type PieceAct = Schemas['PieceActRequest']['act'];

/** Which pieces an act would take; 0 for all that can be. */
export const nextPieces = async (id: number, query: { act: PieceAct; count: number; line?: number }) =>
  (await ask(api.GET('/api/orders/{id}/pieces/next', { params: { path: { id }, query } }))).pieces;

export function useNextPieces(id: number) {
  return useMutation({
    mutationFn: (query: { act: PieceAct; count: number }) => nextPieces(id, query),
  });
}

export function usePieceAct() {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (body: Schemas['PieceActRequest']) => ask(api.POST('/api/pieces/acts', { body })),
    onSettled: refresh,
  });
}

export function useTakeBack() {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (events: number[]) => ask(api.POST('/api/pieces/take-back', { body: { events } })),
    onSettled: refresh,
  });
}

/** Puts all of an order in its parcel that can be; says how many pieces. */
export function usePackAll(order: number) {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: async () => {
      const pieces = (await nextPieces(order, { act: 'PACK', count: 0 })).map((row) => row.piece.piece);
      if (pieces.length > 0) await ask(api.POST('/api/pieces/acts', { body: { act: 'PACK', pieces } }));
      return pieces.length;
    },
    onSettled: refresh,
  });
}
