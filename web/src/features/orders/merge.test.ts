import { expect, test } from 'vitest';
import { changeOf } from './merge';

test('a field that nobody touched is left to others', () => {
  expect(changeOf('Ilka', 'Ilka at the quay', 'Ilka', false)).toBeUndefined();
  expect(changeOf('Ilka', 'Ilka at the quay', 'Ilka', true)).toBeUndefined();
});

test('a change names what was seen, not what stands there unseen by now', () => {
  expect(changeOf('Ilka', 'Ilka at the quay', 'Ilka & Son', false)).toEqual({
    from: 'Ilka',
    to: 'Ilka & Son',
  });
});

test('once the other change was told, it may be overwritten', () => {
  expect(changeOf('Ilka', 'Ilka at the quay', 'Ilka & Son', true)).toEqual({
    from: 'Ilka at the quay',
    to: 'Ilka & Son',
  });
});

test('whole choices are compared by what they say', () => {
  const choices = { pattern: 'snake', colours: ['NT2', 'OA2'] };
  expect(changeOf(choices, choices, { pattern: 'snake', colours: ['NT2', 'OA2'] }, false)).toBeUndefined();
  expect(changeOf(choices, choices, { pattern: 'snake', colours: ['NT2', 'BR2'] }, false)).toBeDefined();
});
