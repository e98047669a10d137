import { infiniteQueryOptions, keepPreviousData, queryOptions, useMutation } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import type { paths } from '../../api/schema';
import type { Units } from '../../app/units';
import { fileBody } from '../../shared/files';
import { useRefreshWork } from '../../shared/work';

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

/** Where a holding lay, and which flaws were marked on it. */
export const eventsQuery = (id: number) =>
  queryOptions({
    queryKey: ['stock', 'events', id],
    queryFn: () => ask(api.GET('/api/stock/holdings/{id}/events', { params: { path: { id } } })),
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
  | 'JOIN'
  | 'OPEN'
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
    case 'OPEN':
      return ask(api.POST('/api/stock/holdings/{id}/open', { params }));
    case 'FLAW':
    case 'JOIN':
    case 'UNFLAW':
      return ask(
        api.POST('/api/stock/holdings/{id}/flaw', {
          params,
          body: { at: quantity, units, mark: act === 'JOIN' ? 'JOIN' : 'FLAW', there: act !== 'UNFLAW' },
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
    mutationFn: (body: Schemas['NewNote']) => ask(api.POST('/api/stock/receipts', { body })),
    onSuccess: refresh,
  });
}

export const notesQuery = queryOptions({
  queryKey: ['stock', 'notes'],
  queryFn: () => ask(api.GET('/api/stock/receipts')),
});

export const cardQuery = (code: string) =>
  queryOptions({
    queryKey: ['stock', 'card', code],
    queryFn: () => ask(api.GET('/api/stock/articles/{code}', { params: { path: { code } } })),
  });

export const suppliersQuery = queryOptions({
  queryKey: ['stock', 'suppliers'],
  queryFn: () => ask(api.GET('/api/stock/suppliers')),
});

export const purchasesQuery = queryOptions({
  queryKey: ['stock', 'purchases'],
  queryFn: () => ask(api.GET('/api/stock/purchases')),
});

export type BuyFilter = NonNullable<paths['/api/stock/buy']['get']['parameters']['query']>;

export const buyQuery = (filter: BuyFilter) =>
  infiniteQueryOptions({
    queryKey: ['stock', 'buy', filter],
    queryFn: ({ pageParam }) =>
      ask(api.GET('/api/stock/buy', { params: { query: { ...filter, after: pageParam } } })),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next,
    placeholderData: keepPreviousData,
  });

export const countsQuery = queryOptions({
  queryKey: ['stock', 'counts'],
  queryFn: () => ask(api.GET('/api/stock/stocktakes')),
});

export const countQuery = (id: number) =>
  queryOptions({
    queryKey: ['stock', 'counts', id],
    queryFn: () => ask(api.GET('/api/stock/stocktakes/{id}', { params: { path: { id } } })),
  });

/** Something is done to stock, and everything that shows it is asked for again. */
export function useStockAct<T>(act: (input: T) => Promise<unknown>) {
  const refresh = useRefreshWork();
  return useMutation({ mutationFn: act, onSuccess: refresh });
}

export const previewArticles = ({ file, units }: { file: File; units: Units }) =>
  ask(api.POST('/api/stock/articles-file/preview', { params: { query: { units } }, ...fileBody(file) }));

export const takeArticles = ({ file, units, mode }: { file: File; units: Units; mode: 'NEW' | 'ALL' }) =>
  ask(api.POST('/api/stock/articles-file', { params: { query: { units, take: mode } }, ...fileBody(file) }));

export const addPutUp = ({ article, ...body }: Schemas['NewPutUp'] & { article: number }) =>
  ask(api.POST('/api/stock/articles/{id}/put-ups', { params: { path: { id: article } }, body }));

export const withdrawPutUp = (id: number) =>
  ask(api.POST('/api/stock/put-ups/{id}/withdraw', { params: { path: { id } } }));

export const setDensity = ({ article, ...body }: Schemas['NewDensity'] & { article: number }) =>
  ask(api.PUT('/api/stock/articles/{id}/density', { params: { path: { id: article } }, body }));

export const keepSupplier = ({ id, ...body }: Schemas['NewSupplier'] & { id?: number }) =>
  id === undefined
    ? ask(api.POST('/api/stock/suppliers', { body }))
    : ask(api.PUT('/api/stock/suppliers/{id}', { params: { path: { id } }, body }));

export const placePurchase = (body: Schemas['NewPurchase']) =>
  ask(api.POST('/api/stock/purchases', { body }));

export const closePurchase = (id: number) =>
  ask(api.POST('/api/stock/purchases/{id}/close', { params: { path: { id } } }));

export const expectPurchase = ({ id, ...body }: Schemas['ExpectedDay'] & { id: number }) =>
  ask(api.PUT('/api/stock/purchases/{id}/expected', { params: { path: { id } }, body }));

export const startCount = (body: Schemas['NewStocktake']) => ask(api.POST('/api/stock/stocktakes', { body }));

export const countHolding = ({
  id,
  holding,
  ...body
}: Schemas['CountInput'] & { id: number; holding: number }) =>
  ask(api.POST('/api/stock/stocktakes/{id}/holdings/{holding}', { params: { path: { id, holding } }, body }));

export const bookCount = ({ id, reasons }: { id: number; reasons: Schemas['CountReason'][] }) =>
  ask(api.POST('/api/stock/stocktakes/{id}/book', { params: { path: { id } }, body: { reasons } }));

export const giveUpCount = (id: number) =>
  ask(api.POST('/api/stock/stocktakes/{id}/give-up', { params: { path: { id } } }));

/** Adds an article, or changes the one that was read in that version. */
export function useKeepArticle(version?: number) {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (body: Schemas['NewArticle']): Promise<unknown> =>
      version === undefined
        ? ask(api.POST('/api/stock/articles', { body }))
        : ask(api.PUT('/api/stock/articles', { params: { query: { version } }, body })),
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
