import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../api/client';
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

/** Keeps how whoever is signed in works; what was chosen shows at once. */
export function useKeepHabits() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas['Habits']) => ask(api.PUT('/api/session/habits', { body })),
    onMutate: (habits) =>
      client.setQueryData(sessionQuery.queryKey, (session) => session && { ...session, habits }),
    onSettled: () => client.invalidateQueries(sessionQuery),
  });
}

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
