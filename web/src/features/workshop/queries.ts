import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import { sessionQuery } from '../../shared/session';
import { useRefreshWork } from '../../shared/work';

function useEnter<B>(call: (body: B) => Promise<Schemas['SessionView']>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: call,
    onSuccess: (session) => {
      client.removeQueries({ predicate: (query) => query.queryKey[0] !== sessionQuery.queryKey[0] });
      client.setQueryData(sessionQuery.queryKey, session);
    },
  });
}

export const useSignIn = () => useEnter((body: Schemas['SignIn']) => ask(api.POST('/api/sign-in', { body })));
export const useSetUp = () => useEnter((body: Schemas['SetUp']) => ask(api.POST('/api/setup', { body })));

export const peopleQuery = queryOptions({
  queryKey: ['people'],
  queryFn: () => ask(api.GET('/api/people')),
});

export function useAddPerson() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas['NewPerson']) => ask(api.POST('/api/people', { body })),
    onSuccess: () => client.invalidateQueries({ queryKey: ['people'] }),
  });
}

type Person = Schemas['PersonView'];

/** What an owner does with somebody's access. */
function usePeople<B>(call: (body: B) => Promise<unknown>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: call,
    onSettled: () => client.invalidateQueries({ queryKey: ['people'] }),
  });
}

export const useRole = () =>
  usePeople(({ id, role }: { id: number; role: Person['role'] }) =>
    ask(api.PUT('/api/people/{id}/role', { params: { path: { id } }, body: { role } })),
  );

export const useNewPassword = () =>
  usePeople(({ id, password }: { id: number; password: string }) =>
    ask(api.PUT('/api/people/{id}/password', { params: { path: { id } }, body: { password } })),
  );

/** Ends somebody's access at once, or gives it back. */
export const useAccess = () =>
  usePeople(({ id, ended }: Pick<Person, 'id' | 'ended'>) => {
    const params = { params: { path: { id } } };
    return ended
      ? ask(api.POST('/api/people/{id}/back', params))
      : ask(api.POST('/api/people/{id}/end', params));
  });

export function useOwnPassword() {
  return useMutation({
    mutationFn: (body: Schemas['OwnPassword']) => ask(api.PUT('/api/session/password', { body })),
    // Every session with the old password has ended, this one too.
    onSuccess: () => window.dispatchEvent(new Event('restis:signed-out')),
  });
}

export const houseQuery = queryOptions({
  queryKey: ['house'],
  queryFn: () => ask(api.GET('/api/house')),
});

export function useKeepHouse() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas['House']) => ask(api.PUT('/api/house', { body })),
    // Every price and every day is shown by it.
    onSuccess: () => client.invalidateQueries(),
  });
}

export const calendarsQuery = queryOptions({
  queryKey: ['calendars'],
  queryFn: () => ask(api.GET('/api/calendars')),
});

export function useKeepCalendar(id: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas['Calendar']) =>
      ask(api.PUT('/api/people/{id}/calendar', { params: { path: { id } }, body })),
    // Every promise of a day changes with it; after a refusal, what somebody else kept is shown.
    onSettled: () => client.invalidateQueries(),
  });
}

export const workStepsQuery = queryOptions({
  queryKey: ['work-steps'],
  queryFn: () => ask(api.GET('/api/work-steps')),
});

export function useKeepWorkSteps() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas['WorkStepsView']) => ask(api.PUT('/api/work-steps', { body })),
    // What can be said of each piece changes with it; after a refusal, what somebody else kept is shown.
    onSettled: () => client.invalidateQueries(),
  });
}

export const benchRulesQuery = queryOptions({
  queryKey: ['bench-rules'],
  queryFn: () => ask(api.GET('/api/bench-rules')),
});

export function useKeepBenchRules() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas['BenchRulesView']) => ask(api.PUT('/api/bench-rules', { body })),
    onSettled: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: benchRulesQuery.queryKey }),
        client.invalidateQueries({ queryKey: ['bench'] }),
      ]),
  });
}

export const priceRulesQuery = queryOptions({
  queryKey: ['orders', 'price-rules'],
  queryFn: () => ask(api.GET('/api/orders/price-rules')),
});

export function useKeepPriceRules() {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (body: Schemas['RulesInput']) => ask(api.PUT('/api/orders/price-rules', { body })),
    onSuccess: refresh,
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
