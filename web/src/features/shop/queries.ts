import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';

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

export function useSetAside() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, aside }: { id: number; aside: boolean }) =>
      ask(api.POST('/api/deliveries/{id}/aside', { params: { path: { id } }, body: { aside } })),
    // Also when it failed: then somebody else has settled it.
    onSettled: () => client.invalidateQueries({ queryKey: ['deliveries'] }),
  });
}

export const feedsQuery = queryOptions({
  queryKey: ['shop-feeds'],
  queryFn: () => ask(api.GET('/api/shop-feeds')),
});

export function useOpenFeed() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas['NewFeed']) => ask(api.POST('/api/shop-feeds', { body })),
    onSuccess: () => client.invalidateQueries({ queryKey: ['shop-feeds'] }),
  });
}

export function useCloseFeed() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (source: string) => ask(api.DELETE('/api/shop-feeds', { params: { query: { source } } })),
    onSettled: () => client.invalidateQueries({ queryKey: ['shop-feeds'] }),
  });
}
