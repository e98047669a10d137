import { infiniteQueryOptions, queryOptions, useMutation } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import { useRefreshWork } from '../../shared/work';

export type ShelfPiece = Schemas['ShelfPiece'];

export const shelfQuery = infiniteQueryOptions({
  queryKey: ['orders', 'shelf'],
  queryFn: ({ pageParam }) =>
    ask(api.GET('/api/shelf', { params: { query: { after: pageParam || undefined } } })),
  initialPageParam: '',
  getNextPageParam: (page) => page.next,
});

export const tagQuery = (piece: number) =>
  queryOptions({
    queryKey: ['orders', 'tag', piece],
    queryFn: () => ask(api.GET('/api/shelf/pieces/{piece}', { params: { path: { piece } } })),
  });

export function useSell(piece: number) {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (body: Schemas['SaleInput']) =>
      ask(api.POST('/api/shelf/pieces/{piece}/sell', { params: { path: { piece } }, body })),
    onSettled: refresh,
  });
}

/** It was not sold after all, or it came back and stays. */
export function useShelfAct(piece: number, act: 'take-back' | 'keep') {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: () =>
      act === 'keep'
        ? ask(api.POST('/api/shelf/pieces/{piece}/keep', { params: { path: { piece } } }))
        : ask(api.POST('/api/shelf/pieces/{piece}/take-back', { params: { path: { piece } } })),
    onSettled: refresh,
  });
}
