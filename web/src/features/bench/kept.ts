import type { Schemas } from '../../api/client';

/** Something done at the bench, as it is kept on this device until it is sent. */
export interface KeptAct {
  who: string;
  order: number;
  act: Schemas['StepAct'];
  /** Why it was refused, in the server's words. */
  refused?: { title: string; detail: string };
}

const PREFIX = 'restis.bench.';

/**
 * Acts on this device: each under a name of its own, so that two tabs that write at once lose none. They survive reloading and
 * signing out, and are sent in the order in which they were done.
 */
export function keptActs(storage: Storage = localStorage): KeptAct[] {
  const acts: KeptAct[] = [];
  for (let i = 0; i < storage.length; i++) {
    const key = storage.key(i);
    const text = key?.startsWith(PREFIX) ? storage.getItem(key) : null;
    if (text) acts.push(JSON.parse(text));
  }
  return acts.sort((a, b) => a.order - b.order || a.act.key.localeCompare(b.act.key));
}

export function keep(act: KeptAct, storage: Storage = localStorage) {
  storage.setItem(PREFIX + act.act.key, JSON.stringify(act));
}

export function drop(key: string, storage: Storage = localStorage) {
  storage.removeItem(PREFIX + key);
}

/** Later than all that are kept, also where a clock was set back. */
export function nextOrder(storage: Storage = localStorage): number {
  return Math.max(Date.now(), ...keptActs(storage).map((a) => a.order + 1));
}

/** Where a piece stands once the acts that wait here are done too. */
export function standingWith(
  stands: { next: number; heldUp: boolean },
  acts: KeptAct[],
): { next: number; heldUp: boolean } {
  return acts
    .filter((a) => !a.refused)
    .reduce((at, { act }) => {
      switch (act.act) {
        case 'DONE':
        case 'ALL_THE_SAME':
          return { next: act.step + 1, heldUp: false };
        case 'BACK_TO':
          return { next: act.step, heldUp: false };
        case 'NOT_YET':
          return { next: at.next, heldUp: true };
        default:
          return at;
      }
    }, stands);
}
