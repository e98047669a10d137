import { useLayoutEffect, useRef } from 'react';

/** Keys act unless something that takes keys itself has the focus, and never by being held down. */
export function useKeys(keys: Record<string, (() => void) | undefined>) {
  const now = useRef(keys);
  // With what is shown, not after it: a key that is pressed at once means what stands there, and not what stood there before.
  useLayoutEffect(() => {
    now.current = keys;
  });
  useLayoutEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement | null;
      const act = now.current[event.key.length === 1 ? event.key.toLowerCase() : event.key];
      if (!act || event.ctrlKey || event.metaKey || event.altKey) return;
      if (target?.closest('input, textarea, select, button, a, [role="dialog"]')) return;
      event.preventDefault();
      if (!event.repeat) act();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}
