import { fireEvent, screen, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { show } from '../test/show';
import { AnewNote } from './AnewNote';

const row = (change: Partial<Schemas['AnewView']>): Schemas['AnewView'] => ({
  order: 7,
  customer: 'Ilka',
  line: 2,
  patternName: 'Ladder band',
  article: 'NT2',
  unit: 'METRE',
  pieces: 3,
  before: 1_695_000,
  after: 2_050_000,
  at: '2026-11-30T08:00:00Z',
  ...change,
});

const known = (rows: Schemas['AnewView'][]): [readonly unknown[], unknown][] => [
  [['plan', 'anew'], { pages: [{ rows }], pageParams: [undefined] }],
];

it('says what one piece took and takes now, when it is asked to', () => {
  show(<AnewNote />, known([row({}), row({ article: 'HB9', unit: 'PIECE', before: 1, after: 2 })]));
  expect(screen.queryByRole('table')).toBeNull();
  fireEvent.click(screen.getByText('Show what changed'));
  const table = within(screen.getByRole('table'));
  expect(table.getByText('1695 mm')).toBeTruthy();
  expect(table.getByText('2050 mm')).toBeTruthy();
  expect(table.getAllByText(/line 2, Ladder band/)).toHaveLength(2);
  expect(table.getAllByRole('link', { name: 'Ilka' })[0]?.getAttribute('href')).toBe('/orders/7');
});

it('says nothing where nothing changed', () => {
  show(<AnewNote />, known([]));
  expect(screen.queryByText('Some pieces take other lengths now')).toBeNull();
});
