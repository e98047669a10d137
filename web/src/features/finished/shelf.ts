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

/** What nobody saw there today. */
export const unseenQuery = infiniteQueryOptions({
  queryKey: ['orders', 'shelf', 'unseen'],
  queryFn: ({ pageParam }) =>
    ask(api.GET('/api/shelf', { params: { query: { after: pageParam || undefined, unseen: true } } })),
  initialPageParam: '',
  getNextPageParam: (page) => page.next,
});

export const sellsWellQuery = queryOptions({
  queryKey: ['orders', 'sells-well'],
  queryFn: () => ask(api.GET('/api/shelf/sells-well')),
});

export function useMakeForShelf() {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (body: Schemas['MakeForShelf']) => ask(api.POST('/api/shelf/orders', { body })),
    onSuccess: () => {
      refresh();
    },
  });
}

export function useSeen(piece: number) {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (there: boolean) =>
      ask(api.POST('/api/shelf/pieces/{piece}/seen', { params: { path: { piece } }, body: { there } })),
    onSettled: () => {
      refresh();
    },
  });
}

export function useMissing(piece: number) {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (reason: string) =>
      ask(api.POST('/api/shelf/pieces/{piece}/missing', { params: { path: { piece } }, body: { reason } })),
    onSettled: () => {
      refresh();
    },
  });
}

export const tagQuery = (piece: number) =>
  queryOptions({
    queryKey: ['orders', 'tag', piece],
    queryFn: () => ask(api.GET('/api/shelf/pieces/{piece}', { params: { path: { piece } } })),
  });

// Nobody waits for lists to be read anew: whoever says that it is done may be gone from them by then.
export function useSell(piece: number) {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (body: Schemas['SaleInput']) =>
      ask(api.POST('/api/shelf/pieces/{piece}/sell', { params: { path: { piece } }, body })),
    onSettled: () => {
      refresh();
    },
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
    onSettled: () => {
      refresh();
    },
  });
}
