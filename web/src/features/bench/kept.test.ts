import { expect, it } from 'vitest';
import { type KeptAct, standingWith } from './kept';

const kept = (act: KeptAct['act']['act'], step: number, refused = false): KeptAct => ({
  who: 'Tove',
  order: step,
  act: { key: `${act}${step}`, piece: 1, act, step },
  ...(refused ? { refused: { title: '', detail: '' } } : {}),
});

it('stands where what waits here leads', () => {
  const at = { next: 3, heldUp: false };
  expect(standingWith(at, [])).toEqual(at);
  expect(standingWith(at, [kept('DONE', 3), kept('ALL_THE_SAME', 4)])).toEqual({ next: 5, heldUp: false });
  expect(standingWith(at, [kept('DONE', 3), kept('NOT_YET', 4)])).toEqual({ next: 4, heldUp: true });
  expect(standingWith(at, [kept('BACK_TO', 1)])).toEqual({ next: 1, heldUp: false });
  expect(standingWith(at, [kept('DONE', 3, true)])).toEqual(at);
});

it('goes back through what waits, and then to the newest act that is known', () => {
  const at = { next: 3, heldUp: false, last: { act: 'DONE', step: 2 } };
  expect(standingWith(at, [kept('DONE', 3), kept('TAKE_BACK', 0)]).next).toBe(3);
  expect(standingWith(at, [kept('TAKE_BACK', 0)]).next).toBe(2);
  expect(standingWith({ next: 3, heldUp: false }, [kept('TAKE_BACK', 0)]).next).toBe(3);
});
