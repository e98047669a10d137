import { keepPreviousData, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import type { Units } from '../../app/units';
import { outcome } from '../../shared/jobs';
import { nextPieces, type PieceAct } from '../../shared/pieces';
import { useRefreshWork } from '../../shared/work';

export const orderQuery = (id: number) =>
  queryOptions({
    queryKey: ['orders', 'one', id],
    queryFn: () => ask(api.GET('/api/orders/{id}', { params: { path: { id } } })),
  });

/** An order written in a line, as the server understands it. */
export const readQuery = (text: string, units: Units) =>
  queryOptions({
    queryKey: ['orders', 'read', text, units],
    queryFn: () => ask(api.POST('/api/orders/read', { body: { text, units } })),
    enabled: text.trim() !== '',
    placeholderData: keepPreviousData,
    gcTime: 30_000,
  });

/** A pasted list of people, as the server understands it. */
export const groupQuery = (request: Schemas['GroupRequest']) =>
  queryOptions({
    queryKey: ['orders', 'group', request],
    queryFn: () => ask(api.POST('/api/orders/group', { body: request })),
    enabled: request.people.trim() !== '',
    placeholderData: keepPreviousData,
    gcTime: 30_000,
  });

/** The quote that was named last, as a message to the customer. */
export const quoteTextQuery = (id: number) =>
  queryOptions({
    queryKey: ['orders', 'one', id, 'quote-text'],
    queryFn: () => ask(api.GET('/api/orders/{id}/quote.txt', { params: { path: { id } }, parseAs: 'text' })),
  });

export type Act = Schemas['OrderView']['acts'][number];

/** What is said of all pieces of an order that are so far: it names them, as they are now. */
export const OF_PIECES: Partial<Record<Act, PieceAct>> = { FINISH: 'FINISH', DISPATCH: 'SEND' };

export function useAct(id: number) {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: async (act: Act) => {
      const ofPieces = OF_PIECES[act];
      const able = ofPieces ? await nextPieces(id, { act: ofPieces, count: 0 }) : [];
      // Where none can, the order's own act is refused with the reason.
      return ofPieces && able.length > 0
        ? ask(
            api.POST('/api/pieces/acts', {
              body: { act: ofPieces, pieces: able.map((row) => row.piece.piece) },
            }),
          )
        : ask(api.POST('/api/orders/{id}/acts/{act}', { params: { path: { id, act } } }));
    },
    onSettled: refresh,
  });
}

export function useActMany() {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (body: Schemas['ManyRequest']) => ask(api.POST('/api/orders/acts', { body })),
    onSettled: refresh,
  });
}

/** Which pieces of these orders an act would take. */
export function usePiecesOfMany() {
  return useMutation({
    mutationFn: ({ orders, act }: { orders: number[]; act: Act }) =>
      ask(
        api.GET('/api/orders/pieces/next', {
          params: { query: { orders, act: OF_PIECES[act] ?? 'FINISH' } },
        }),
      ),
  });
}

export function useChangeOrder(id: number) {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (body: Schemas['OrderChange']) =>
      ask(api.PATCH('/api/orders/{id}', { params: { path: { id } }, body })),
    // Also after a refusal: what somebody else changed meanwhile is shown beside what was typed.
    onSettled: refresh,
  });
}

/** The owner takes a line though a check says no; without a reason, takes it no more. */
export function useTakeAnyway(id: number, line: number) {
  const refresh = useRefreshWork();
  const path = { params: { path: { id, line } } };
  return useMutation({
    mutationFn: (reason: string | null) =>
      reason === null
        ? ask(api.DELETE('/api/orders/{id}/lines/{line}/accepted', path))
        : ask(api.PUT('/api/orders/{id}/lines/{line}/accepted', { ...path, body: { reason } })),
    onSettled: refresh,
  });
}

/** What the customer was promised. */
export function usePromise(id: number) {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (body: Schemas['PromisedDay']) =>
      ask(api.PUT('/api/orders/{id}/promise', { params: { path: { id } }, body })),
    onSettled: refresh,
  });
}

/** In time before others, or not. */
export function useMust(id: number) {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (must: boolean) =>
      ask(api.PUT('/api/orders/{id}/must', { params: { path: { id } }, body: { must } })),
    onSettled: refresh,
  });
}

/** One maker ties all of a line, or any. */
export function useOneHand(id: number, line: number) {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (oneHand: boolean) =>
      ask(
        api.PUT('/api/orders/{id}/lines/{line}/one-hand', {
          params: { path: { id, line } },
          body: { oneHand },
        }),
      ),
    onSettled: refresh,
  });
}

export function useSplit(id: number) {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (parts: Schemas['Part'][]) =>
      ask(api.POST('/api/orders/{id}/split', { params: { path: { id } }, body: { parts } })),
    onSuccess: refresh,
  });
}

export function useTakeOrder() {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (body: Schemas['NewOrder']) => ask(api.POST('/api/orders', { body })),
    onSuccess: refresh,
  });
}

export function useRemoveOrder() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: number) => ask(api.DELETE('/api/orders/{id}', { params: { path: { id } } })),
    // The removed order itself is not asked for again: there is nothing left to answer.
    onSuccess: (_, id) =>
      client.invalidateQueries({
        predicate: ({ queryKey }) => !(queryKey[1] === 'one' && queryKey[2] === id),
      }),
  });
}

/** The multipart body that the file operations take; the generated type only knows its text form. */
function fileBody(file: File, how: Schemas['Request']) {
  const form = new FormData();
  form.append('file', file);
  form.append('how', new Blob([JSON.stringify(how)], { type: 'application/json' }));
  return { body: form as never, bodySerializer: (body: unknown) => body as FormData };
}

/** What is taken: a file that somebody chose, or what a shop delivered. */
export type Source = { file: File; delivery?: undefined } | { file?: undefined; delivery: number };

interface Asked {
  what: Source;
  how: Schemas['Request'];
}

export function usePreview() {
  return useMutation({
    mutationFn: ({ what, how }: Asked) =>
      what.file
        ? ask(api.POST('/api/orders/import/preview', fileBody(what.file, how)))
        : ask(
            api.POST('/api/deliveries/{id}/preview', { params: { path: { id: what.delivery } }, body: how }),
          ),
  });
}

/** Takes what was looked at: a file as long work, whose job is told to {@link begun}. Stopped, nothing of it is kept. */
export function useImport(begun: (job: number) => void) {
  const refresh = useRefreshWork();
  const client = useQueryClient();
  return useMutation({
    mutationFn: async ({ what, how, mode }: Asked & { mode: 'ALL' | 'GOOD_ROWS' }) => {
      if (what.file) {
        const asked = await ask(
          api.POST('/api/orders/import', { params: { query: { mode } }, ...fileBody(what.file, how) }),
        );
        begun(asked.id);
        return outcome<Schemas['FileView']>(asked.id);
      }
      return ask(
        api.POST('/api/deliveries/{id}/take', {
          params: { path: { id: what.delivery }, query: { mode } },
          body: how,
        }),
      );
    },
    onSuccess: () => {
      client.invalidateQueries({ queryKey: ['deliveries'] });
      return refresh();
    },
  });
}

export async function sampleFile(): Promise<File> {
  const answer = await fetch('/api/orders/sample.csv');
  return new File([await answer.blob()], 'orders.csv', { type: 'text/csv' });
}

/** Whatever is made of an order is for the shelf, or for whoever ordered it. */
export function useForShelf(id: number) {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (shelf: boolean) =>
      ask(api.PUT('/api/orders/{id}/for-shelf', { params: { path: { id } }, body: { shelf } })),
    onSettled: refresh,
  });
}

/** What of the shelf suits an order that waits. */
export const offersQuery = (order: number) =>
  queryOptions({
    queryKey: ['orders', 'one', order, 'offers'],
    queryFn: () => ask(api.GET('/api/shelf/offers/{order}', { params: { path: { order } } })),
  });

export function useGive(order: number) {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: ({ piece, line }: { piece: number; line: number }) =>
      ask(api.POST('/api/shelf/pieces/{piece}/give', { params: { path: { piece } }, body: { order, line } })),
    // Not waited for: the offer is gone from the page by then, and would not say so.
    onSettled: () => {
      refresh();
    },
  });
}
