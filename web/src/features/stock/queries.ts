import { queryOptions, useMutation } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import { useRefreshWork } from '../plan/queries';

export const wallQuery = queryOptions({
  queryKey: ['stock', 'wall'],
  queryFn: () => ask(api.GET('/api/stock/wall')),
});

export const articlesQuery = queryOptions({
  queryKey: ['stock', 'articles'],
  queryFn: () => ask(api.GET('/api/stock/articles')),
});

export const materialsQuery = queryOptions({
  queryKey: ['stock', 'materials'],
  queryFn: () => ask(api.GET('/api/stock/materials')),
  staleTime: Number.POSITIVE_INFINITY,
});

export const kindsQuery = queryOptions({
  queryKey: ['stock', 'kinds'],
  queryFn: () => ask(api.GET('/api/stock/kinds')),
  staleTime: Number.POSITIVE_INFINITY,
});

export type LedgerOf = { holding?: number; lot?: number; article?: number };

export const ledgerQuery = (of: LedgerOf) =>
  queryOptions({
    queryKey: ['stock', 'ledger', of],
    queryFn: () => ask(api.GET('/api/stock/ledger', { params: { query: of } })),
  });

export function useReceive() {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (body: Schemas['NewReceipt']) => ask(api.POST('/api/stock/receipts', { body })),
    onSuccess: refresh,
  });
}

export function useAddArticle() {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (body: Schemas['NewArticle']) => ask(api.POST('/api/stock/articles', { body })),
    onSuccess: refresh,
  });
}

export function useMeasureLot(lot: number) {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (body: Schemas['Measured']) =>
      ask(api.POST('/api/stock/lots/{id}/measure', { params: { path: { id: lot } }, body })),
    onSuccess: refresh,
  });
}

export function useAdjust(holding: number) {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (body: Schemas['Counted']) =>
      ask(api.POST('/api/stock/holdings/{id}/adjust', { params: { path: { id: holding } }, body })),
    onSuccess: refresh,
  });
}
