import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useLayoutEffect, useRef, useState, useSyncExternalStore } from 'react';
import { api, ask, ProblemError } from '../../api/client';
import { useRefreshWork } from '../../shared/work';
import { drop, type KeptAct, keep, keptActs, nextOrder } from './kept';
import { type Card, cardQuery } from './queries';

const CHANGED = 'restis:kept-acts';
const TRY_AGAIN_MS = 8000;

let shown: KeptAct[] = [];
let shownText = '[]';

/** The same list as long as nothing changed, as React wants it. */
function snapshot(): KeptAct[] {
  const acts = keptActs();
  const text = JSON.stringify(acts);
  if (text !== shownText) {
    shown = acts;
    shownText = text;
  }
  return shown;
}

function subscribe(changed: () => void) {
  window.addEventListener('storage', changed);
  window.addEventListener(CHANGED, changed);
  return () => {
    window.removeEventListener('storage', changed);
    window.removeEventListener(CHANGED, changed);
  };
}

const tell = () => window.dispatchEvent(new Event(CHANGED));

/** One tab sends at a time, so that acts arrive in their order; the server knows an act that comes twice. */
function alone<T>(work: () => Promise<T>): Promise<T> {
  return navigator.locks ? navigator.locks.request('restis.bench', work) : work();
}

type Sent = 'sent' | 'later' | KeptAct;

type OnSent = (kept: KeptAct, stands: Stands) => Promise<void>;

async function send(kept: KeptAct, onSent: OnSent): Promise<Sent> {
  try {
    const stands = await ask(api.POST('/api/bench/acts', { body: kept.act }));
    await onSent(kept, stands);
    return 'sent';
  } catch (error) {
    const problem = error instanceof ProblemError ? error.problem : undefined;
    // Nothing was stored because somebody else's act came in between: it is sent again, not refused.
    const refused =
      problem && [404, 409, 422].includes(problem.status) && problem.code !== 'changedMeanwhile';
    return refused ? { ...kept, refused: { title: problem.title, detail: problem.detail } } : 'later';
  }
}

type Stands = { next: number; heldUp: boolean; inHandOf: string };

/** Sends what is kept for whoever is signed in; what a piece refuses, its later acts cannot do either. */
async function sendAll(who: string, onSent: OnSent) {
  const held = new Map<number, KeptAct>();
  for (const kept of keptActs()) {
    if (kept.who !== who || kept.refused) continue;
    const before = held.get(kept.act.piece);
    const sent = before ? { ...kept, refused: before.refused } : await send(kept, onSent);
    if (sent === 'later') return;
    if (sent === 'sent') drop(kept.act.key);
    else {
      keep(sent);
      held.set(kept.act.piece, sent);
    }
    tell();
  }
}

/** What is done with a piece: kept here at once, and sent as soon as there is a network. */
export function useKeptActs(who: string, piece: number) {
  const client = useQueryClient();
  const refresh = useRefreshWork();
  const all = useSyncExternalStore(subscribe, snapshot);
  // How many flushes go on: one that ends says nothing of those that wait behind it.
  const [sending, setSending] = useState(0);
  const flush = useCallback(async () => {
    setSending((n) => n + 1);
    const touched = new Set<number>();
    await alone(() =>
      sendAll(who, async ({ act }, stands) => {
        touched.add(act.piece);
        // What was asked for before this act would show the piece where it was.
        await client.cancelQueries({ queryKey: cardQuery(act.piece).queryKey });
        client.setQueryData(
          cardQuery(act.piece).queryKey,
          (card?: Card) =>
            card && { ...card, next: stands.next, heldUp: stands.heldUp, inHandOf: stands.inHandOf },
        );
      }),
    );
    setSending((n) => n - 1);
    if (touched.size > 0) {
      await Promise.all(
        [...touched].map((p) => client.invalidateQueries({ queryKey: cardQuery(p).queryKey })),
      );
      await refresh();
    }
  }, [client, refresh, who]);
  const latest = useLatest(flush);
  useEffect(() => {
    const now = () => latest.current();
    now();
    window.addEventListener('online', now);
    const timer = window.setInterval(() => keptActs().some((a) => !a.refused) && now(), TRY_AGAIN_MS);
    return () => {
      window.removeEventListener('online', now);
      window.clearInterval(timer);
    };
  }, [latest]);
  const undoing = useRef(false);
  const act = (done: Omit<KeptAct['act'], 'key' | 'piece' | 'at'>) => {
    if (undoing.current) return;
    keep({
      who,
      order: nextOrder(),
      act: { ...done, key: crypto.randomUUID(), piece, at: new Date().toISOString() },
    });
    tell();
    latest.current();
  };
  /** What is still here is dropped; what is sent, maybe at this moment by another tab, is taken back by an act. */
  const takeBack = async () => {
    if (undoing.current) return;
    undoing.current = true;
    const dropped = await alone(async () => {
      const newest = keptActs()
        .filter((a) => a.who === who && !a.refused && a.act.piece === piece)
        .at(-1);
      if (newest) drop(newest.act.key);
      return newest !== undefined;
    });
    undoing.current = false;
    if (dropped) tell();
    else act({ act: 'TAKE_BACK', step: 0 });
  };
  return {
    /** Of this piece, waiting to be sent. */
    waiting: all.filter((a) => a.who === who && !a.refused && a.act.piece === piece),
    /** Of any piece, by whoever is signed in. */
    kept: all.filter((a) => a.who === who && !a.refused).length,
    refused: all.filter((a) => a.who === who && a.refused),
    sending: sending > 0,
    act,
    takeBack,
    drop: (keys: string[]) => {
      for (const key of keys) drop(key);
      tell();
    },
  };
}

function useLatest<T>(value: T) {
  const [ref] = useState(() => ({ current: value }));
  useLayoutEffect(() => {
    ref.current = value;
  });
  return ref;
}
