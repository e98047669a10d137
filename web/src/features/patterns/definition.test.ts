import { expect, it } from 'vitest';
import { EMPTY, type History, moved, seated, step, turned } from './definition';

const named = (name: string) => ({ ...EMPTY, name });

it('goes back and forth through what was edited, and forgets the future after a new step', () => {
  let history: History = { past: [], now: named('a'), future: [] };
  history = step(history, { to: named('b') });
  history = step(history, { to: named('c') });
  history = step(history, 'undo');
  history = step(history, 'undo');
  expect(history.now.name).toBe('a');
  expect(step(history, 'undo').now.name).toBe('a');
  history = step(history, 'redo');
  expect(history.now.name).toBe('b');
  history = step(history, { to: named('d') });
  expect(step(history, 'redo').now.name).toBe('d');
  expect(step(history, 'undo').now.name).toBe('b');
});

it('moves an item and leaves the ends alone', () => {
  expect(moved(['a', 'b', 'c'], 2, -1)).toEqual(['a', 'c', 'b']);
  expect(moved(['a', 'b', 'c'], 0, 1)).toEqual(['b', 'a', 'c']);
  expect(moved(['a', 'b', 'c'], 0, -1)).toEqual(['a', 'b', 'c']);
  expect(moved(['a', 'b', 'c'], 2, 1)).toEqual(['a', 'b', 'c']);
});

it('lets a leg turn round and go on, and writes one that runs once as its seat', () => {
  const up = turned('CORE', 0, 'PART', 'buckle');
  expect(up).toEqual([{ seat: 'CORE', turn: 'PART', hardware: 'buckle' }, { seat: 'WORKING' }]);
  const twice = turned(seated(up, 1, 'CORE'), 1, 'BACK');
  expect(twice).toEqual([
    { seat: 'CORE', turn: 'PART', hardware: 'buckle' },
    { seat: 'CORE', turn: 'BACK' },
    { seat: 'WORKING' },
  ]);
  expect(turned(twice, 0, 'EAR')).toEqual([{ seat: 'CORE', turn: 'EAR' }, ...twice.slice(1)]);
  expect(turned(twice, 0, undefined)).toBe('CORE');
});
