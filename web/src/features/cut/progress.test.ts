import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { list, spool, strand } from '../../test/cuts';
import { behind, upToDate } from './progress';

const cut = (step: Schemas['StepView']) => ({ ...step, doneAt: '2026-11-25T10:00:00Z', doneBy: 'Bram' });
const S1 = spool(1, 'S001', [cut(strand(1, 990_000, 0, 25)), strand(2, 990_000, 990_000, 26)]);
const S2 = { ...spool(2, 'S002', [strand(3, 500_000, 0, 27)]), inHandOf: 'Bram' };
const LIST = list([S1, S2]);

const now = (...spools: Schemas['SpoolProgress'][]): Schemas['ProgressView'] => ({
  revision: LIST.revision,
  done: 2,
  unplanned: 1,
  lacking: 0,
  bettering: false,
  spools,
});

it('finds the spools that were cut, taken back, taken or put down by others', () => {
  const same = { id: 2, inHandOf: 'Bram', done: 0 };
  expect(behind(LIST, now({ id: 1, done: 1 }, same))).toEqual([]);
  expect(behind(LIST, now({ id: 1, done: 2 }, same))).toEqual([1]);
  expect(behind(LIST, now({ id: 1, done: 0 }, same))).toEqual([1]);
  expect(behind(LIST, now({ id: 1, inHandOf: 'Tove', done: 1 }, same))).toEqual([1]);
  expect(behind(LIST, now({ id: 1, done: 1 }, { id: 2, done: 0 }))).toEqual([2]);
});

it('takes in what is new and leaves all else as it is', () => {
  const fresh = { ...S2, inHandOf: 'Tove' };
  const after = upToDate(LIST, now({ id: 1, done: 1 }, { id: 2, inHandOf: 'Tove', done: 0 }), [fresh]);
  expect(after.spools).toEqual([S1, fresh]);
  expect(after.spools[0]).toBe(S1);
  expect([after.done, after.unplanned]).toEqual([2, 1]);
  expect(after.name).toBe(LIST.name);
});
