import {
  infiniteQueryOptions,
  keepPreviousData,
  queryOptions,
  useMutation,
  useQueryClient,
} from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';
import { takePlanned, WORKPLAN } from '../../shared/days';
import { useRefreshWork } from '../../shared/work';

export type Board = Schemas['WorkBoardView'];
export type Block = Schemas['BoardBlockView'];
export type Maker = Schemas['BoardMakerView'];
export type Day = Schemas['BoardDayView'];
export type Head = Schemas['PlanHeadView'];

/** What is said of one plan stays true of it: it is not asked for again when another takes its place. */
const OF_A_PLAN = 'of a plan';
/** While somebody plans, the plan grows. */
const GROWING_MS = 700;
/** Others act too. */
const LOOK_AGAIN_MS = 20_000;

export const boardQuery = (from: string | undefined, days: number) =>
  queryOptions({
    queryKey: [...WORKPLAN, 'board', from, days],
    queryFn: () => ask(api.GET('/api/workplan', { params: { query: { from, days } } })),
    refetchInterval: (query) => (query.state.data?.whoPlans ? GROWING_MS : LOOK_AGAIN_MS),
    placeholderData: keepPreviousData,
  });

export const reasonQuery = (plan: number, parcels: number[]) =>
  queryOptions({
    queryKey: [OF_A_PLAN, plan, 'reason', parcels],
    queryFn: () => ask(api.GET('/api/workplan/reason', { params: { query: { plan, parcels } } })),
  });

export const troubledQuery = (plan: number) =>
  infiniteQueryOptions({
    queryKey: [...WORKPLAN, 'troubled', plan],
    queryFn: ({ pageParam }) =>
      ask(api.GET('/api/workplan/orders', { params: { query: { after: pageParam } } })),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next,
  });

export const unplannedQuery = (plan: number | undefined) =>
  queryOptions({
    queryKey: [...WORKPLAN, 'unplanned', plan],
    queryFn: () => ask(api.GET('/api/workplan/unplanned')),
    placeholderData: keepPreviousData,
  });

export const diffQuery = (plan: number) =>
  queryOptions({
    queryKey: [...WORKPLAN, 'diff', plan],
    queryFn: () => ask(api.GET('/api/workplan/diff')),
  });

export function usePlanDays() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (better: boolean) => ask(api.POST('/api/workplan', { body: { better } })),
    onSettled: () => client.invalidateQueries({ queryKey: WORKPLAN }),
  });
}

export function useStopPlanning() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => ask(api.POST('/api/workplan/stop')),
    onSettled: () => client.invalidateQueries({ queryKey: WORKPLAN }),
  });
}

/** What hands do with the plan that they have seen. */
export type PlanAct =
  | { act: 'move'; body: Schemas['MoveParcels'] }
  | { act: 'pin'; body: Schemas['PinParcels'] }
  | { act: 'release'; body: Schemas['SomeParcels'] }
  | { act: 'split'; body: Schemas['SplitParcels'] }
  | { act: 'merge'; body: Schemas['MergeParcels'] }
  | { act: 'lock'; body: Schemas['LockDay'] }
  | { act: 'take'; body: Schemas['SomeParcels'] }
  | { act: 'publish'; body: Schemas['SeenPlan'] }
  | { act: 'back'; body: Schemas['SeenPlan'] };

function send(one: PlanAct): Promise<unknown> {
  switch (one.act) {
    case 'move':
      return ask(api.POST('/api/workplan/move', { body: one.body }));
    case 'pin':
      return ask(api.POST('/api/workplan/pin', { body: one.body }));
    case 'release':
      return ask(api.POST('/api/workplan/release', { body: one.body }));
    case 'split':
      return ask(api.POST('/api/workplan/split', { body: one.body }));
    case 'merge':
      return ask(api.POST('/api/workplan/merge', { body: one.body }));
    case 'lock':
      return ask(api.POST('/api/workplan/lock-day', { body: one.body }));
    case 'take':
      return takePlanned(one.body);
    case 'publish':
      return ask(api.POST('/api/workplan/publish', { body: one.body }));
    case 'back':
      return ask(api.POST('/api/workplan/back', { body: one.body }));
  }
}

export function usePlanAct() {
  const refresh = useRefreshWork();
  return useMutation({ mutationFn: send, onSettled: refresh });
}
