import { screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { endangeredQuery } from '../../shared/days';
import { todayQuery, waitingQuery } from '../../shared/work';
import { show } from '../../test/show';
import TodayPage from './TodayPage';

const none = { pieces: 0, first: [] };

const row = (more: Partial<Schemas['WaitingOrder']>): Schemas['WaitingOrder'] => ({
  order: 3,
  reference: 'F-0003',
  customer: 'Marit',
  piece: 25,
  patternName: 'Snake-knot band',
  pieces: 2,
  due: '2026-12-05',
  ...more,
});

const open = (
  day: Partial<Schemas['TodayView']>,
  openPieces = 0,
  danger: Schemas['TroubledOrderView'][] = [],
) =>
  show(<TodayPage />, [
    [endangeredQuery.queryKey, { rows: danger }],
    [waitingQuery.queryKey, { openOrders: 0, openPieces, batchesToCut: 0, piecesToMake: 0 }],
    [
      todayQuery.queryKey,
      {
        late: { orders: 0, first: [] },
        toCut: none,
        mine: none,
        heldUp: none,
        toMake: none,
        drying: none,
        made: none,
        checks: false,
        packs: false,
        ...day,
      },
    ],
  ]);

it('goes on with what is in hand, and says what waits at each stage', () => {
  open(
    {
      mine: { pieces: 1, first: [row({ pieces: 1 })] },
      heldUp: { pieces: 1, first: [row({ order: 7, piece: 31, pieces: 1 })] },
      drying: { pieces: 2, first: [row({ order: 4, reference: 'F-0004', until: '2026-12-01T09:00:00Z' })] },
      late: {
        orders: 1,
        first: [{ order: 9, reference: 'F-0009', customer: 'Runa', due: '2026-11-20', pieces: 3 }],
      },
    },
    5,
  );
  expect(screen.getByRole('heading', { name: '1 order is late' })).toBeTruthy();
  expect(screen.getByText(/3 pieces not made/)).toBeTruthy();
  expect(screen.getByRole('link', { name: 'Go on' }).getAttribute('href')).toBe('/bench/25');
  expect(screen.getByRole('link', { name: 'Decide' }).getAttribute('href')).toBe('/bench/31');
  expect(screen.getByRole('heading', { name: '5 pieces to plan' })).toBeTruthy();
  expect(screen.getByText(/dry .*2026/)).toBeTruthy();
  expect(screen.queryByText(/to cut/)).toBeNull();
});

it('names what the house does with what is made', () => {
  const made = { pieces: 2, first: [row({})] };
  open({ made }).unmount();
  open({ made, packs: true }).unmount();
  open({ made, checks: true });
  expect(screen.getByRole('heading', { name: '2 pieces made: to check, pack or send' })).toBeTruthy();
});

it('offers the next order where nothing waits', () => {
  open({});
  expect(screen.getByText(/Nothing waits anywhere/)).toBeTruthy();
  expect(screen.getByRole('link', { name: 'New order' })).toBeTruthy();
});

it('names what the plan brings into danger, and why', () => {
  const order = { customer: 'Runa', due: '2026-12-04', must: false, lateDays: 0 };
  open({ toMake: { pieces: 2, first: [row()] } }, 0, [
    { ...order, order: 9, reference: 'F-0009', lateChance: 0.34 },
    { ...order, order: 10, reference: 'F-0010', lateChance: 0, leftOut: 'NO_CORD' },
  ]);
  expect(screen.getByRole('heading', { name: '2 orders late or in danger by the plan' })).toBeTruthy();
  expect(screen.getByText(/1 in 3 to be late/)).toBeTruthy();
  expect(screen.getByText(/neither here nor on order/)).toBeTruthy();
});
