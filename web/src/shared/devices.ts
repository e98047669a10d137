import { queryOptions, useMutation } from '@tanstack/react-query';
import { api, ask } from '../api/client';

export const devicesQuery = queryOptions({
  queryKey: ['stock', 'devices'],
  queryFn: () => ask(api.GET('/api/stock/devices')),
  staleTime: Number.POSITIVE_INFINITY,
});

/** What a device on the bench shows: milligrams, or micrometres. */
export function useDevice(device: 'SCALE' | 'COUNTER') {
  return useMutation({
    mutationFn: () => ask(api.POST('/api/stock/devices/{device}/read', { params: { path: { device } } })),
  });
}
