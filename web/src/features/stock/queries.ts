import { infiniteQueryOptions, keepPreviousData, queryOptions, useMutation } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import type { paths } from '../../api/schema';
import type { Units } from '../../app/units';
import { useRefreshWork } from '../plan/queries';

export type WallFilter = NonNullable<paths['/api/stock/wall']['get']['parameters']['query']>;

const AT_ONCE = 20;

/** A wall of very many articles is hung a stretch at a time. */
export const wallQuery = (filter: WallFilter) =>
  infiniteQueryOptions({
    queryKey: ['stock', 'wall', filter],
    queryFn: ({ pageParam }) =>
      ask(api.GET('/api/stock/wall', { params: { query: { ...filter, from: pageParam, size: AT_ONCE } } })),
    initialPageParam: 0,
    getNextPageParam: (last, _, from) => (from + AT_ONCE < last.total ? from + AT_ONCE : undefined),
    placeholderData: keepPreviousData,
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

export type LedgerOf = { holding?: number; lot?: number; article?: number; until?: string };

export const ledgerQuery = (of: LedgerOf) =>
  queryOptions({
    queryKey: ['stock', 'ledger', of],
    queryFn: () => ask(api.GET('/api/stock/ledger', { params: { query: of } })),
  });

/** What there was at the end of a day. */
export const asOfQuery = (of: LedgerOf) =>
  queryOptions({
    queryKey: ['stock', 'ledger', 'balance', of],
    queryFn: () => ask(api.GET('/api/stock/ledger/balance', { params: { query: of } })),
    enabled: of.until !== undefined,
  });

export type HoldingAct =
  | 'COUNT'
  | 'BIN'
  | 'SELL'
  | 'SEND_BACK'
  | 'SPLIT'
  | 'MERGE'
  | 'MOVE'
  | 'FLAW'
  | 'UNFLAW';

export interface ActInput {
  act: HoldingAct;
  quantity: string;
  reason: string;
  shelf: string;
  into: number;
  units: Units;
}

function perform(id: number, { act, quantity, reason, shelf, into, units }: ActInput): Promise<unknown> {
  const params = { path: { id } };
  switch (act) {
    case 'COUNT':
      return ask(api.POST('/api/stock/holdings/{id}/adjust', { params, body: { quantity, reason, units } }));
    case 'SPLIT':
      return ask(api.POST('/api/stock/holdings/{id}/split', { params, body: { quantity, units } }));
    case 'MERGE':
      return ask(api.POST('/api/stock/holdings/{id}/merge', { params, body: { into } }));
    case 'MOVE':
      return ask(api.POST('/api/stock/holdings/{id}/move', { params, body: { shelf } }));
    case 'FLAW':
    case 'UNFLAW':
      return ask(
        api.POST('/api/stock/holdings/{id}/flaw', {
          params,
          body: { at: quantity, units, there: act === 'FLAW' },
        }),
      );
    default:
      return ask(
        api.POST('/api/stock/holdings/{id}/away/{away}', {
          params: { path: { id, away: act } },
          body: { quantity, reason, units },
        }),
      );
  }
}

/** Whatever is done with a holding besides cutting it. */
export function useHoldingAct(id: number) {
  const refresh = useRefreshWork();
  return useMutation({ mutationFn: (input: ActInput) => perform(id, input), onSuccess: refresh });
}

export function useTakeBack() {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (row: number) => ask(api.POST('/api/stock/ledger/{row}/back', { params: { path: { row } } })),
    onSettled: refresh,
  });
}

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
