import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../api/client';
import { useRefreshWork } from './work';

/** What all that is asked of the plan of days is kept under. */
export const WORKPLAN = ['plan', 'days'];

/** Of stitches, in the order in which they are offered. */
export const FAMILIES = ['SQUARE', 'SNAKE', 'WEAVE', 'BRAID', 'HITCH', 'THREADING'] as const;

/** The plan that people have seen, from today on. */
export const plannedQuery = (days: number) =>
  queryOptions({
    queryKey: [...WORKPLAN, 'published', days],
    queryFn: () => ask(api.GET('/api/workplan', { params: { query: { days, published: true } } })),
  });

/** Orders that are late, may be late, or of which nothing is planned. */
export const endangeredQuery = queryOptions({
  queryKey: [...WORKPLAN, 'endangered'],
  queryFn: () => ask(api.GET('/api/workplan/orders')),
});

export const takePlanned = (body: Schemas['SomeParcels']) => ask(api.POST('/api/workplan/take', { body }));

/** Makes a batch of what the plan has, to be cut together. */
export function useTakePlanned() {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: takePlanned,
    onSettled: refresh,
  });
}

export const planRulesQuery = queryOptions({
  queryKey: ['settings', 'plan'],
  queryFn: () => ask(api.GET('/api/workplan/rules')),
});

export function useKeepPlanRules() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas['PlanRulesView']) => ask(api.PUT('/api/workplan/rules', { body })),
    onSettled: () =>
      Promise.all([
        client.invalidateQueries(planRulesQuery),
        client.invalidateQueries({ queryKey: WORKPLAN }),
      ]),
  });
}

/** What helps an order that is late, whoever does it. */
export const goFirst = (id: number, body: Schemas['SeenPlan']) =>
  ask(api.POST('/api/workplan/orders/{id}/first', { params: { path: { id } }, body }));

export const stayLonger = (id: number, body: Schemas['LongerDay']) =>
  ask(api.POST('/api/people/{id}/calendar/longer', { params: { path: { id } }, body }));

export const mustBeInTime = (id: number, body: Schemas['MustBeInTime']) =>
  ask(api.PUT('/api/orders/{id}/must', { params: { path: { id } }, body }));
