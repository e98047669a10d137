import { queryOptions } from '@tanstack/react-query';
import { api, ask } from '../api/client';

const LOOK_AGAIN_MS = 30_000;

export const deliveriesQuery = (waiting: boolean) =>
  queryOptions({
    queryKey: ['deliveries', waiting],
    queryFn: () => ask(api.GET('/api/deliveries', { params: { query: { waiting } } })),
    refetchInterval: LOOK_AGAIN_MS,
  });

export const deliveryQuery = (id: number) =>
  queryOptions({
    queryKey: ['deliveries', 'one', id],
    queryFn: () => ask(api.GET('/api/deliveries/{id}', { params: { path: { id } } })),
  });

/** What a shop sent, as it came. */
export const deliveryTextQuery = (id: number) =>
  queryOptions({
    queryKey: ['deliveries', 'one', id, 'text'],
    queryFn: () => ask(api.GET('/api/deliveries/{id}/text', { params: { path: { id } }, parseAs: 'text' })),
  });
