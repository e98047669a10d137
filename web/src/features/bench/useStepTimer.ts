import { useEffect, useRef, useState } from 'react';

const TICK_MS = 1000;
const LEAST_MS = 120_000;

/**
 * Seconds on a step. It pauses when nothing happens for three times as long as the step is likely to take, and goes on with the
 * next touch; what went by meanwhile is not counted beyond that.
 *
 * @param step what is timed; another begins anew
 */
export function useStepTimer(step: string, likelySeconds: number, on: boolean) {
  const [seconds, setSeconds] = useState(0);
  const [paused, setPaused] = useState(false);
  const seen = useRef(Date.now());
  const counted = useRef(0);
  const begun = useRef(Date.now());
  // biome-ignore lint/correctness/useExhaustiveDependencies: another step begins anew
  useEffect(() => {
    counted.current = 0;
    begun.current = Date.now();
    seen.current = Date.now();
    setSeconds(0);
    setPaused(false);
  }, [step]);
  useEffect(() => {
    if (!on) return undefined;
    const limit = Math.max(LEAST_MS, 3 * likelySeconds * 1000);
    let last = Date.now();
    const touched = () => {
      seen.current = Date.now();
    };
    const timer = window.setInterval(() => {
      const now = Date.now();
      const active = now - seen.current < limit;
      if (active) counted.current += now - last;
      last = now;
      setPaused(!active);
      setSeconds(Math.round(counted.current / 1000));
    }, TICK_MS);
    window.addEventListener('pointerdown', touched);
    window.addEventListener('keydown', touched);
    return () => {
      window.clearInterval(timer);
      window.removeEventListener('pointerdown', touched);
      window.removeEventListener('keydown', touched);
    };
  }, [on, likelySeconds]);
  return { seconds, paused };
}
