import { useEffect } from 'react';

/** Keeps the screen lit while a card is open, where the device can. */
export function useWakeLock(on: boolean) {
  useEffect(() => {
    if (!on || !('wakeLock' in navigator)) return undefined;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const take = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then(
        (taken) => {
          if (over) taken.release();
          else lock = taken;
        },
        // A device that saves its battery says no; the card works all the same.
        () => undefined,
      );
    };
    take();
    document.addEventListener('visibilitychange', take);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', take);
      lock?.release();
    };
  }, [on]);
}
