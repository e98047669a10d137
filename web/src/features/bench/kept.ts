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

interface Stands {
  next: number;
  heldUp: boolean;
  last?: { act: string; step: number };
}

/** Where a piece stands once the acts that wait here are done too. */
export function standingWith(card: Stands, acts: KeptAct[]): { next: number; heldUp: boolean } {
  let stands = { next: card.next, heldUp: card.heldUp };
  const before: (typeof stands)[] = [];
  for (const { act, refused } of acts) {
    if (refused) continue;
    if (act.act === 'TAKE_BACK') {
      // Of what is sent already only the newest act is known.
      const went = card.last && ['DONE', 'ALL_THE_SAME'].includes(card.last.act);
      stands = before.pop() ?? (went && card.last ? { next: card.last.step, heldUp: false } : stands);
      continue;
    }
    before.push(stands);
    if (act.act === 'NOT_YET') stands = { next: stands.next, heldUp: true };
    else stands = { next: act.act === 'BACK_TO' ? act.step : act.step + 1, heldUp: false };
  }
  return stands;
}
