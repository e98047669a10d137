import {
  infiniteQueryOptions,
  keepPreviousData,
  queryOptions,
  useMutation,
  useQueryClient,
} from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import { fileBody } from '../../shared/files';

export type Subject = Schemas['PointView']['subject'];
export type Estimate = Schemas['EstimateRow'];
export type Point = Schemas['PointView'];

const LEARNING = ['learning'];

export const standingQuery = queryOptions({
  queryKey: [...LEARNING, 'standing'],
  queryFn: () => ask(api.GET('/api/learning/standing')),
  // While something is being worked out, the figures will change by themselves.
  refetchInterval: (query) => (query.state.data?.waits ? 1000 : false),
});

export const estimatesQuery = (subject: Subject) =>
  infiniteQueryOptions({
    queryKey: [...LEARNING, 'estimates', subject],
    queryFn: ({ pageParam }) =>
      ask(api.GET('/api/learning/estimates', { params: { query: { subject, after: pageParam } } })),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next,
    placeholderData: keepPreviousData,
  });

/** Measurements of a feature; of none, those that are doubted. */
export const pointsQuery = (subject: Subject, feature: string) =>
  infiniteQueryOptions({
    queryKey: [...LEARNING, 'points', subject, feature],
    queryFn: ({ pageParam }) =>
      ask(api.GET('/api/learning/points', { params: { query: { subject, feature, after: pageParam } } })),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next,
  });

export const historyQuery = (subject: Subject, feature: string) =>
  queryOptions({
    queryKey: [...LEARNING, 'history', subject, feature],
    queryFn: () => ask(api.GET('/api/learning/history', { params: { query: { subject, feature } } })),
  });

export const learningReportQuery = queryOptions({
  queryKey: [...LEARNING, 'report'],
  queryFn: () => ask(api.GET('/api/learning/report')),
});

export type Said = 'confirm' | 'drop' | 'back';

function useRefreshLearning() {
  const client = useQueryClient();
  return () => client.invalidateQueries({ queryKey: LEARNING });
}

/** What somebody says of a measurement. */
export function useSay() {
  const refresh = useRefreshLearning();
  return useMutation({
    mutationFn: ({ id, said }: { id: number; said: Said }) => {
      const params = { params: { path: { id } } };
      switch (said) {
        case 'confirm':
          return ask(api.POST('/api/learning/points/{id}/confirm', params));
        case 'drop':
          return ask(api.POST('/api/learning/points/{id}/drop', params));
        case 'back':
          return ask(api.POST('/api/learning/points/{id}/back', params));
      }
    },
    onSettled: refresh,
  });
}

export function useReadKnowledge() {
  const refresh = useRefreshLearning();
  return useMutation({
    mutationFn: (file: File) => ask(api.POST('/api/learning/knowledge', fileBody(file))),
    onSuccess: refresh,
  });
}
