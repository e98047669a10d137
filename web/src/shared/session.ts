import { queryOptions, useMutation, useQuery } from '@tanstack/react-query';
import { api, ask } from '../api/client';
import { showTimesIn } from './format';

export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: async () => {
    const session = await ask(api.GET('/api/session'));
    showTimesIn(session.zone);
    return session;
  },
  staleTime: 60_000,
  // Another version may answer by now.
  refetchInterval: 60_000,
});

export const useSession = () => useQuery(sessionQuery);

export function useSignOut() {
  return useMutation({
    mutationFn: async () => {
      const token = document.cookie.match(/(?:^|; )XSRF-TOKEN=([^;]*)/)?.[1] ?? '';
      await fetch('/api/sign-out', {
        method: 'POST',
        headers: { 'X-XSRF-TOKEN': decodeURIComponent(token) },
      });
    },
    // A full load leaves nothing of the signed-out person in memory.
    onSettled: () => window.location.assign('/'),
  });
}
