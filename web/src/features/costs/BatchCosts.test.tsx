import { fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { serving } from '../../test/server';
import { show } from '../../test/show';
import { BatchCosts } from './BatchCosts';

const cost = (total: number): Schemas['CostView'] => ({
  used: total - 0.3,
  tails: 0.1,
  planned: 0.06,
  trimmed: 0.03,
  scrap: 0.01,
  waste: 0.1,
  hardware: 0.1,
  total,
});

const piece = (id: number, actual?: number): Schemas['PieceCostView'] => ({
  pieceId: id,
  lineId: 1,
  number: id,
  reference: `F-${id}`,
  customer: 'Ilka',
  pattern: 'snake',
  batchId: 3,
  batchName: 'Batch 3',
  estimate: cost(2),
  ...(actual === undefined ? {} : { actual: cost(actual) }),
});

const TOTALS: Schemas['TotalsView'] = { counted: 1203, estimated: cost(192.48), actual: cost(216.54) };
const BOOKS: Schemas['BooksView'] = {
  receipts: 500,
  onHand: 283.46,
  pieces: 216.54,
  adjusted: 0,
  difference: 0,
  balance: true,
};

const routes = (first: Schemas['CostsView'], more: Record<string, unknown> = {}) => ({
  'GET /api/session': { currency: 'EUR', role: 'OWNER' },
  'GET /api/costs': (asked: { path: string }) =>
    asked.path.includes('after=') ? { pieces: [piece(51, 2.5)] } : first,
  'GET /api/costs/totals': TOTALS,
  'GET /api/costs/books': BOOKS,
  ...more,
});

it('shows sums over every piece and not over those on the page', async () => {
  serving(routes({ pieces: [piece(1, 2.1)], next: '3~1' }));
  show(<BatchCosts />);
  expect(await screen.findByText(/1203 pieces/)).toBeTruthy();
  expect(screen.getAllByText('€216.54').length).toBeGreaterThan(0);
  expect(screen.getByText('F-1 #1')).toBeTruthy();
  expect(screen.getAllByRole('columnheader').map((h) => h.textContent)).toEqual(
    'Piece,Order,Customer,Batch,Estimate,Used,Tails,Trimmed,Scrap,Waste,Hardware,Actual'.split(','),
  );
  expect(screen.getByText('€0.03')).toBeTruthy();
  expect(screen.getByText('€0.01')).toBeTruthy();
});

it('asks for the next page where the one before ended, and no further than there is', async () => {
  const asked = serving(routes({ pieces: [piece(1, 2.1)], next: '3~1' }));
  show(<BatchCosts />);
  fireEvent.click(await screen.findByRole('button', { name: 'Show more' }));
  expect(await screen.findByText('F-51 #51')).toBeTruthy();
  expect(asked.some((a) => a.path === '/api/costs?after=3~1')).toBe(true);
  await waitFor(() => expect(screen.queryByRole('button', { name: 'Show more' })).toBeNull());
});

it('says what is estimated only, as long as it is not cut', async () => {
  serving(routes({ pieces: [piece(1)] }, { 'GET /api/costs/totals': { ...TOTALS, counted: 0 } }));
  show(<BatchCosts />);
  expect(await screen.findByText('not cut')).toBeTruthy();
});

it('says so when the books do not balance', async () => {
  serving(
    routes(
      { pieces: [piece(1, 2.1)] },
      { 'GET /api/costs/books': { ...BOOKS, difference: 0.72, balance: false } },
    ),
  );
  show(<BatchCosts />);
  expect(await screen.findByText('€0.72')).toBeTruthy();
});

it('leads to planning while there is nothing to show', async () => {
  serving(routes({ pieces: [] }));
  show(<BatchCosts />);
  const plan = await screen.findByRole('link', { name: /plan/i });
  expect(plan.getAttribute('href')).toBe('/plan');
});
