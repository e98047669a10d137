import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask } from '../../api/client';

export function useSetAside() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, aside }: { id: number; aside: boolean }) =>
      ask(api.POST('/api/deliveries/{id}/aside', { params: { path: { id } }, body: { aside } })),
    // Also when it failed: then somebody else has settled it.
    onSettled: () => client.invalidateQueries({ queryKey: ['deliveries'] }),
  });
}
