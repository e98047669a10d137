import { infiniteQueryOptions, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import { useRefreshWork } from '../../shared/work';

export type Card = Schemas['WorkCardView'];
export type CardStep = Schemas['CardStepView'];

export const waitingAtBenchQuery = infiniteQueryOptions({
  queryKey: ['bench', 'waiting'],
  queryFn: ({ pageParam }) => ask(api.GET('/api/bench/waiting', { params: { query: { after: pageParam } } })),
  initialPageParam: undefined as string | undefined,
  getNextPageParam: (page) => page.next,
});

export const inWorkQuery = infiniteQueryOptions({
  queryKey: ['bench', 'in-work'],
  queryFn: ({ pageParam }) => ask(api.GET('/api/bench/in-work', { params: { query: { after: pageParam } } })),
  initialPageParam: undefined as string | undefined,
  getNextPageParam: (page) => page.next,
});

export type TalesBy = 'PATTERN' | 'MAKER' | 'MATERIAL';

export const talesQuery = (by: TalesBy, days: number) =>
  infiniteQueryOptions({
    queryKey: ['bench', 'tales', by, days],
    queryFn: ({ pageParam }) =>
      ask(api.GET('/api/bench/tales', { params: { query: { by, days, after: pageParam } } })),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next,
  });

export const cardQuery = (piece: number) =>
  queryOptions({
    queryKey: ['bench', 'card', piece],
    queryFn: () => ask(api.GET('/api/bench/pieces/{id}', { params: { path: { id: piece } } })),
  });

/** Taking and laying down move pieces in their lives, which orders and lists show. */
function useHands<T>(act: (body: T) => Promise<unknown>) {
  const client = useQueryClient();
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: act,
    // Nobody waits for lists they leave.
    onSettled: () => {
      Promise.all([client.invalidateQueries({ queryKey: ['bench'] }), refresh()]);
    },
  });
}

export const useTake = () =>
  useHands((body: { pieces: number[]; over: boolean }) => ask(api.POST('/api/bench/take', { body })));

export const useLayDown = () =>
  useHands((pieces: number[]) => ask(api.POST('/api/bench/lay-down', { body: { pieces } })));

/** What a measured length or the cord left says; nothing is kept by asking. */
export function useMeasured(piece: number) {
  return useMutation({
    mutationFn: (body: Schemas['MeasuredRequest']) =>
      ask(api.POST('/api/bench/pieces/{id}/measured', { params: { path: { id: piece } }, body })),
  });
}

export type Mishap = Schemas['WayRequest']['mishap'];

export const waysOutQuery = (piece: number, mishap: Mishap, strand: number) =>
  queryOptions({
    queryKey: ['bench', 'ways-out', piece, mishap, strand],
    queryFn: () =>
      ask(
        api.GET('/api/bench/pieces/{id}/mishaps/{mishap}', {
          params: { path: { id: piece, mishap }, query: { strand } },
        }),
      ),
    // The shelf is looked at anew each time.
    staleTime: 0,
    gcTime: 0,
  });

export const useWayOut = (piece: number) =>
  useHands((body: Schemas['WayRequest']) =>
    ask(api.POST('/api/bench/pieces/{id}/mishaps', { params: { path: { id: piece } }, body })),
  );

/** What another size would take; nothing is kept by asking. */
export const resizeQuery = (piece: number, size: string, units: Schemas['OtherSize']['units']) =>
  queryOptions({
    queryKey: ['bench', 'resize', piece, size, units],
    queryFn: () =>
      ask(
        api.POST('/api/bench/pieces/{id}/resize/look', {
          params: { path: { id: piece } },
          body: { size, units },
        }),
      ),
    retry: false,
    staleTime: 0,
    gcTime: 0,
  });

export const useResize = (piece: number) =>
  useHands((body: Schemas['ResizeRequest']) =>
    ask(api.POST('/api/bench/pieces/{id}/resize', { params: { path: { id: piece } }, body })),
  );

export const leftOverQuery = (piece: number) =>
  queryOptions({
    queryKey: ['bench', 'left-over', piece],
    queryFn: () => ask(api.GET('/api/bench/pieces/{id}/left-over', { params: { path: { id: piece } } })),
  });

export const useKeepLeftOver = (piece: number) =>
  useHands((body: Schemas['LeftRequest']) =>
    ask(api.POST('/api/bench/pieces/{id}/left-over', { params: { path: { id: piece } }, body })),
  );

export const useWeighLeftOver = () =>
  useHands((body: Schemas['WeighedRequest']) => ask(api.POST('/api/bench/left-over/weighed', { body })));

export const useTakeBackLeftOver = () =>
  useHands((id: number) =>
    ask(api.POST('/api/bench/left-over/{id}/take-back', { params: { path: { id } } })),
  );

export const useSetUp = () =>
  useHands((body: Schemas['SetUpRequest']) => ask(api.POST('/api/bench/set-ups', { body })));

export const useTakeBackSetUp = () =>
  useHands((id: number) => ask(api.POST('/api/bench/set-ups/{id}/take-back', { params: { path: { id } } })));

export const useNote = () =>
  useHands((body: Schemas['BenchNoteRequest']) => ask(api.POST('/api/bench/notes', { body })));

export const useTakeBackNote = () =>
  useHands((id: number) => ask(api.POST('/api/bench/notes/{id}/take-back', { params: { path: { id } } })));
