import {
  infiniteQueryOptions,
  keepPreviousData,
  queryOptions,
  useMutation,
  useQueryClient,
} from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import type { Units } from '../../app/units';
import { useRefreshWork } from '../plan/queries';

export const ordersQuery = (query: string, state: string) =>
  infiniteQueryOptions({
    queryKey: ['orders', 'list', query, state],
    queryFn: ({ pageParam }) =>
      ask(api.GET('/api/orders', { params: { query: { query, state, before: pageParam } } })),
    initialPageParam: undefined as number | undefined,
    getNextPageParam: (page) => page.next,
    placeholderData: keepPreviousData,
  });

export const orderQuery = (id: number) =>
  queryOptions({
    queryKey: ['orders', 'one', id],
    queryFn: () => ask(api.GET('/api/orders/{id}', { params: { path: { id } } })),
  });

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
function fileBody(file: File) {
  const form = new FormData();
  form.append('file', file);
  return { body: form as never, bodySerializer: (body: unknown) => body as FormData };
}

export function usePreview() {
  return useMutation({
    mutationFn: ({ file, units }: { file: File; units: Units }) =>
      ask(api.POST('/api/orders/import/preview', { params: { query: { units } }, ...fileBody(file) })),
  });
}

export function useImport() {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: ({ file, units, mode }: { file: File; units: Units; mode: 'ALL' | 'GOOD_ROWS' }) =>
      ask(api.POST('/api/orders/import', { params: { query: { units, mode } }, ...fileBody(file) })),
    onSuccess: refresh,
  });
}

export async function sampleFile(): Promise<File> {
  const answer = await fetch('/api/orders/sample.csv');
  return new File([await answer.blob()], 'orders.csv', { type: 'text/csv' });
}
