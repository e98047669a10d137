import { infiniteQueryOptions, queryOptions, useMutation } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import { useRefreshWork } from '../../shared/work';

export type Letter = Schemas['LetterView'];
export type LetterKind = Letter['kind'];
export type Parcel = Schemas['ParcelView'];
export type FinishedOrder = Schemas['FinishedOrder'];

export const finishedQuery = (query: string) =>
  infiniteQueryOptions({
    queryKey: ['orders', 'finished', query],
    queryFn: ({ pageParam }) =>
      ask(api.GET('/api/finished', { params: { query: { query, after: pageParam || undefined } } })),
    initialPageParam: '',
    getNextPageParam: (page) => page.next,
  });

export const finishedOrderQuery = (order: number) =>
  queryOptions({
    queryKey: ['orders', 'finished-order', order],
    queryFn: () => ask(api.GET('/api/finished/{order}', { params: { path: { order } } })),
  });

export const paymentsQuery = (id: number) =>
  queryOptions({
    queryKey: ['orders', 'payments', id],
    queryFn: () => ask(api.GET('/api/orders/{id}/payments', { params: { path: { id } } })),
  });

export const draftQuery = (order: number, kind: LetterKind) =>
  queryOptions({
    queryKey: ['orders', 'letter', order, kind],
    queryFn: () =>
      ask(api.GET('/api/finished/{order}/letters/{kind}', { params: { path: { order, kind } } })),
    // What is being written is not written over.
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
  });

/** Something is done with an order; whatever shows it is asked anew. */
function useDone<B, R>(call: (body: B) => Promise<R>) {
  const refresh = useRefreshWork();
  return useMutation({ mutationFn: call, onSettled: refresh });
}

export const useSend = (order: number) =>
  useDone((body: Schemas['ParcelRequest']) =>
    ask(api.POST('/api/finished/{order}/parcels', { params: { path: { order } }, body })),
  );

export const useChangeParcel = (id: number) =>
  useDone((body: Schemas['ParcelChange']) =>
    ask(api.PUT('/api/finished/parcels/{id}', { params: { path: { id } }, body })),
  );

export const useTakeBackParcel = () =>
  useDone((id: number) =>
    ask(api.POST('/api/finished/parcels/{id}/take-back', { params: { path: { id } } })),
  );

export const useArrival = (id: number) =>
  useDone((body: Schemas['ArrivalRequest']) =>
    ask(api.PUT('/api/orders/{id}/arrival', { params: { path: { id } }, body })),
  );

export const usePay = (id: number) =>
  useDone((body: Schemas['PaymentInput']) =>
    ask(api.POST('/api/orders/{id}/payments', { params: { path: { id } }, body })),
  );

export const useWithdrawPayment = (id: number) =>
  useDone((payment: number) =>
    ask(api.POST('/api/orders/{id}/payments/{payment}/withdraw', { params: { path: { id, payment } } })),
  );

export const usePutLetter = (order: number) =>
  useDone((body: Schemas['LetterRequest']) =>
    ask(api.POST('/api/finished/{order}/letters', { params: { path: { order } }, body })),
  );
