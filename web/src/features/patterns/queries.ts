import { infiniteQueryOptions, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import { askAgain } from '../../shared/pulling';

export const definitionQuery = (code: string) =>
  queryOptions({
    queryKey: ['patterns', 'definition', code],
    queryFn: () => ask(api.GET('/api/patterns/{code}/definition', { params: { path: { code } } })),
    // The editor works on a copy; a fresher one would only confuse it.
    refetchOnMount: 'always',
    gcTime: 0,
  });

export const versionsQuery = (code: string) =>
  infiniteQueryOptions({
    queryKey: ['patterns', 'versions', code],
    queryFn: ({ pageParam }) =>
      ask(
        api.GET('/api/patterns/{code}/versions', {
          params: { path: { code }, query: { before: pageParam } },
        }),
      ),
    initialPageParam: undefined as number | undefined,
    getNextPageParam: (page: Schemas['VersionPage']) => page.next ?? undefined,
  });

export const vocabularyQuery = queryOptions({
  queryKey: ['patterns', 'vocabulary'],
  queryFn: () => ask(api.GET('/api/patterns/vocabulary')),
  staleTime: Number.POSITIVE_INFINITY,
});

export const trialQuery = (json: string) =>
  queryOptions({
    queryKey: ['patterns', 'trial', json],
    queryFn: () => ask(api.POST('/api/patterns/trial', { body: { json, before: 0 } })),
    placeholderData: (before: Schemas['TrialView'] | undefined) => before,
    refetchInterval: ({ state }) => askAgain(state.data?.sample?.picture.pulling),
    retry: false,
    gcTime: 30_000,
  });

export const stitchesQuery = queryOptions({
  queryKey: ['patterns', 'stitches'],
  queryFn: () => ask(api.GET('/api/stitches')),
  refetchInterval: ({ state }) => askAgain(state.data?.flatMap((s) => s.pulling)),
});

export const stitchJsonQuery = (code: string) =>
  queryOptions({
    queryKey: ['patterns', 'stitches', code],
    queryFn: () => ask(api.GET('/api/stitches/{code}/stitch.json', { params: { path: { code } } })),
    gcTime: 0,
  });

export const stitchTrialQuery = (json: string) =>
  queryOptions({
    queryKey: ['patterns', 'stitch-trial', json],
    queryFn: () => ask(api.POST('/api/stitches/trial', { body: { name: '', json } })),
    placeholderData: (before: Schemas['StitchTrial'] | undefined) => before,
    refetchInterval: ({ state }) => askAgain(state.data?.stitch?.pulling),
    retry: false,
    gcTime: 30_000,
  });

export function useKeepStitchPath() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas['StitchInput']) => ask(api.POST('/api/stitches', { body })),
    onSuccess: () => client.invalidateQueries({ queryKey: ['patterns'] }),
  });
}

export function useKeepPattern() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas['DefinitionInput']) => ask(api.POST('/api/patterns', { body })),
    onSuccess: () => client.invalidateQueries({ queryKey: ['patterns'] }),
  });
}

export function useWithdraw(back: boolean) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (code: string) =>
      back
        ? ask(api.POST('/api/patterns/{code}/back', { params: { path: { code } } }))
        : ask(api.DELETE('/api/patterns/{code}', { params: { path: { code } } })),
    // Not waited for: the page of a withdrawn pattern must be left before the book is read without it.
    onSuccess: () => {
      client.invalidateQueries({ queryKey: ['patterns'] });
    },
  });
}
