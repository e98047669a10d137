import { screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import { show } from '../../test/show';
import { versionsQuery } from './queries';
import { Versions } from './Versions';

const of = (rows: object[]): [readonly unknown[], unknown][] => [
  [versionsQuery('ladder').queryKey, { pages: [{ rows }], pageParams: [undefined] }],
];
const first = { version: 1, at: '2031-03-01T10:00:00Z', who: 'restis', shipped: true, changed: [] };

it('says nothing of a pattern that never changed', () => {
  show(<Versions code="ladder" />, of([first]));
  expect(screen.queryByText('Versions')).toBeNull();
});

it('says what a version changed and why', () => {
  const second = { ...first, version: 2, changed: ['STRANDS', 'SECTIONS'], why: 'SQUARE_KNOT_LOCKS' };
  show(<Versions code="ladder" />, of([second, first]));
  expect(screen.getByText('Changed: strands, sections.')).toBeDefined();
  expect(screen.getByText(/Square knots of the strands that weave lock both ends/)).toBeDefined();
  expect(screen.getAllByText('shipped')).toHaveLength(2);
});
