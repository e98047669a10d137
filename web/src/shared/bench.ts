import { useMutation } from '@tanstack/react-query';
import { api, ask } from '../api/client';
import { useRefreshWork } from './work';

/** Takes pieces in hand. */
export function useTakeInHand() {
  const refresh = useRefreshWork();
  return useMutation({
    mutationFn: (pieces: number[]) => ask(api.POST('/api/bench/take', { body: { pieces, over: false } })),
    // Not waited for: whoever goes on from the row is gone from it by then.
    onSettled: () => {
      refresh();
    },
  });
}
