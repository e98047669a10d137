import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import type { Units } from '../../app/units';
import { fileBody } from '../../shared/files';

/** After anything that is done with customers, for which orders carry their names. */
function useCustomerAct<T, R>(act: (input: T) => Promise<R>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: act,
    onSettled: async () => {
      await Promise.all([
        client.invalidateQueries({ queryKey: ['customers'] }),
        client.invalidateQueries({ queryKey: ['orders'] }),
      ]);
    },
  });
}

export const useAddCustomer = () =>
  useCustomerAct((body: Schemas['CustomerDetails']) => ask(api.POST('/api/customers', { body })));

export const useChangeCustomer = (id: number) =>
  useCustomerAct((body: Schemas['CustomerDetails']) =>
    ask(api.PUT('/api/customers/{id}', { params: { path: { id } }, body })),
  );

export const useMerge = (id: number) =>
  useCustomerAct((into: number) =>
    ask(api.POST('/api/customers/{id}/merge', { params: { path: { id } }, body: { into } })),
  );

export const useSeparate = () =>
  useCustomerAct((id: number) => ask(api.POST('/api/customers/{id}/separate', { params: { path: { id } } })));

export const useForget = (id: number) =>
  useCustomerAct(() => ask(api.POST('/api/customers/{id}/forget', { params: { path: { id } } })));

export const useReadCustomers = (units: Units) =>
  useCustomerAct((file: File) =>
    ask(api.POST('/api/customers/file', { params: { query: { units } }, ...fileBody(file) })),
  );
