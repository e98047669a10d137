import { expect, it } from 'vitest';
import { askAgain } from './pulling';

it('asks again only while something is on its way', () => {
  const pulling = (state: 'WAITING' | 'RUNNING' | 'KNOT' | 'NO_KNOT') => [
    { stitch: 'ladder', state, progress: 0, reason: '' },
  ];
  expect(askAgain(undefined)).toBe(false);
  expect(askAgain([])).toBe(false);
  expect(askAgain(pulling('NO_KNOT'))).toBe(false);
  expect(askAgain(pulling('WAITING'))).toBeGreaterThan(500);
  expect(askAgain([...pulling('NO_KNOT'), ...pulling('RUNNING')])).toBeGreaterThan(500);
});
