import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
import CostsPage from './CostsPage';

const sum = (key: string, label: string, total: number): Schemas['CostSum'] => ({
  key,
  label,
  pieces: 3,
  used: total - 0.6,
  tails: 0.1,
  trimmed: 0.1,
  scrap: 0.1,
  waste: 0.1,
  parts: 0.1,
  consumables: 0.1,
  total,
  estimated: total,
  before: 1,
});

const VIEW: Schemas['CostSumsView'] = {
  from: '2026-12-01',
  to: '2026-12-31',
  total: sum('', '', 6),
  rows: [sum('snake', 'Snake-knot band', 4), { ...sum('', '', 2), pieces: 0 }],
  beside: [{ movement: 'BIN', rows: 2, value: 0.75 }],
};

const EARNED: Schemas['EarningRow'][] = [
  {
    pattern: 'snake',
    patternName: 'Snake-knot band',
    pieces: 4,
    perHour: 20.77,
    least: 18,
    most: 30,
    material: 0.6,
    workedSeconds: 1300,
    priceWanted: 9.5,
    priceAgreed: 8.33,
  },
  { pattern: 'tab', patternName: 'Falls tab', pieces: 2 },
];

const routes = (more: Record<string, unknown> = {}) => ({
  'GET /api/session': { currency: 'EUR', role: 'OWNER' },
  'GET /api/costs/sums': VIEW,
  'GET /api/costs/earnings': { rows: EARNED },
  'GET /api/costs/books': {
    receipts: 500,
    onHand: 494,
    pieces: 6,
    adjusted: 0,
    difference: 0,
    balance: true,
  },
  ...more,
});

it('shows where the money went, by pattern, against the days before', async () => {
  serving(routes());
  show(<CostsPage />);
  const whole = await screen.findByRole('region', { name: 'The whole' });
  expect(
    within(whole).getByRole('img', { name: /Used 5\.40, Tails 0\.10, .*Consumables 0\.10/ }),
  ).toBeTruthy();
  expect(screen.getByText('thrown away for no piece')).toBeTruthy();
  expect(within(screen.getByRole('region', { name: 'Beside pieces' })).getByText(/Thrown away/)).toBeTruthy();
});

it('opens a row down to what it is made of', async () => {
  const asked = serving(routes());
  show(<CostsPage />);
  fireEvent.click(await screen.findByRole('button', { name: 'Snake-knot band' }));
  await waitFor(() =>
    expect(asked.some((a) => a.path.includes('by=ORDER') && a.path.includes('within=PATTERN'))).toBe(true),
  );
  expect(asked.at(-1)?.path, 'of the days that were looked at').toContain(`from=${VIEW.from}`);
  expect(await screen.findByRole('button', { name: 'Pattern: Snake-knot band · look at all' })).toBeTruthy();
});

it('opens a piece down to the changes of its cost', async () => {
  serving(
    routes({
      'GET /api/costs/sums': { ...VIEW, rows: [sum('31', 'F-0004 #31', 4)] },
      'GET /api/costs/pieces/31/changes': {
        rows: [
          { at: '2026-12-01T08:00:00Z', used: 3, tails: 1, trimmed: 0, scrap: 0, waste: 0, hardware: 0 },
        ],
      },
    }),
  );
  show(<CostsPage />);
  fireEvent.change(await screen.findByLabelText('By'), { target: { value: 'PIECE' } });
  fireEvent.click(await screen.findByRole('button', { name: 'F-0004 #31' }));
  const change = await screen.findByText(/· Tails/);
  expect(change.textContent).toMatch(/Used .*3\.00 · Tails .*1\.00$/);
});

it('says what a pattern earns, and nothing where too few pieces would say it', async () => {
  serving(routes());
  show(<CostsPage />);
  const earned = await screen.findByRole('region', { name: 'What patterns earn' });
  expect(await within(earned).findByText(/20\.77/)).toBeTruthy();
  expect(within(earned).getByText('too few to say')).toBeTruthy();
});

it('does not offer makers to a maker, and names days that cannot be', async () => {
  serving(
    routes({
      'GET /api/session': { currency: 'EUR', role: 'MAKER' },
      'GET /api/costs/sums': new Reply(422, refused('to')),
    }),
  );
  show(<CostsPage />);
  expect((await screen.findAllByText(/Bad to\./)).length).toBeGreaterThan(0);
  // What cannot be is changed where it stands.
  expect(screen.getByLabelText('To')).toBeTruthy();
  expect(screen.queryByRole('option', { name: 'Maker' })).toBeNull();
});
