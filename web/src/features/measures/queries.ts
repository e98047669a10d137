import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../api/client';

export const swatchesQuery = queryOptions({
  queryKey: ['measures', 'swatches'],
  queryFn: () => ask(api.GET('/api/measures/swatches')),
});

export const policiesQuery = queryOptions({
  queryKey: ['measures', 'policies'],
  queryFn: () => ask(api.GET('/api/measures/policies')),
});

/** Lengths follow from sizes and swatches, so whatever was worked out is asked for again. */
function useRefreshLengths() {
  const client = useQueryClient();
  return () => {
    client.invalidateQueries({ queryKey: ['measures'] });
    client.invalidateQueries({ queryKey: ['patterns', 'work-out'] });
    client.invalidateQueries({ queryKey: ['orders'] });
    client.invalidateQueries({ queryKey: ['plan'] });
  };
}

export function useKeepMaterial() {
  const refresh = useRefreshLengths();
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas['MaterialInput']) => ask(api.PUT('/api/measures/materials', { body })),
    onSuccess: () => {
      refresh();
      client.invalidateQueries({ queryKey: ['stock'] });
    },
  });
}

export function useKeepSizes() {
  const refresh = useRefreshLengths();
  return useMutation({
    mutationFn: (body: Schemas['SizesInput']) => ask(api.PUT('/api/measures/sizes', { body })),
    onSuccess: refresh,
  });
}

export function useChoosePolicy() {
  const refresh = useRefreshLengths();
  return useMutation({
    mutationFn: (body: Schemas['PolicyInput']) => ask(api.PUT('/api/measures/policies', { body })),
    // Refused too: somebody else may have chosen.
    onSettled: refresh,
  });
}

export function useKeepSwatch() {
  const refresh = useRefreshLengths();
  return useMutation({
    mutationFn: (body: Schemas['SwatchInput']) => ask(api.POST('/api/measures/swatches', { body })),
    onSuccess: refresh,
  });
}

export function useKeepStitch() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas['OwnStitchInput']) => ask(api.POST('/api/measures/stitches', { body })),
    onSuccess: () => client.invalidateQueries({ queryKey: ['patterns', 'vocabulary'] }),
  });
}

export function useWithdrawSwatch(back: boolean) {
  const refresh = useRefreshLengths();
  return useMutation({
    mutationFn: (id: number) =>
      back
        ? ask(api.POST('/api/measures/swatches/{id}/back', { params: { path: { id } } }))
        : ask(api.DELETE('/api/measures/swatches/{id}', { params: { path: { id } } })),
    onSuccess: refresh,
  });
}
