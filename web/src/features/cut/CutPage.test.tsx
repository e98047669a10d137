import { fireEvent, screen, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { show } from '../../test/show';
import { sessionQuery } from '../workshop/queries';
import CutPage from './CutPage';
import { cutListQuery, cuttableQuery } from './queries';

const strand = (id: number, lengthUm: number, fromUm: number, pieceId: number): Schemas['StepView'] => ({
  id,
  number: id,
  kind: 'STRAND',
  lengthUm,
  fromUm,
  keep: false,
  pieceId,
  role: 'core',
  reference: 'F-0009',
  customer: 'Lower Lock Rowing Club',
  patternCode: 'neck-square',
});

const LIST: Schemas['CutListView'] = {
  id: 7,
  batchId: 3,
  batchName: 'Club lanyards',
  createdAt: '2026-11-25T10:00:00Z',
  pieces: 2,
  strands: 3,
  cutUm: 2_970_000,
  scrapUm: 0,
  scrapPercent: 0,
  opened: 1,
  waitingUnopened: 2,
  spools: [
    {
      number: 1,
      holdingId: 5,
      label: 'S005',
      kind: 'SPOOL',
      shelf: 'A2',
      lot: 'LI-08',
      articleCode: 'LI2',
      articleName: 'Lichen',
      colour: '#8A9A5B',
      lengthUm: 50_000_000,
      flawsUm: [],
      steps: [
        strand(1, 990_000, 0, 25),
        strand(2, 990_000, 990_000, 26),
        strand(3, 990_000, 1_980_000, 26),
        { id: 4, number: 4, kind: 'REST', lengthUm: 47_030_000, fromUm: 2_970_000, keep: true },
      ],
    },
  ],
  trimmings: [
    {
      strands: 2,
      reference: 'F-0009',
      customer: 'Lower Lock Rowing Club',
      patternCode: 'neck-square',
      role: 'gathering',
      articleCode: 'LI2',
      articleName: 'Lichen',
      colour: '#8A9A5B',
      lengthUm: 320_000,
      tailUm: 722_852,
      sourceRole: 'working',
      pieces: [26, 27],
      sourcePieces: [25, 25],
    },
  ],
  waiting: [
    {
      pieces: 1,
      reference: 'F-0009',
      customer: 'Lower Lock Rowing Club',
      articleCode: 'LI2',
      articleName: 'Lichen',
      neededUm: 14_400_000,
      bestUm: 6_465_000,
    },
  ],
};
const BATCH: Schemas['CuttableBatch'] = { id: 3, name: 'Club lanyards', pieces: 2, cut: 0, openList: 7 };

const open = (list: Schemas['CutListView']) =>
  show(
    <CutPage />,
    [
      [sessionQuery.queryKey, { currency: 'EUR' }],
      [cuttableQuery.queryKey, [BATCH]],
      [cutListQuery(7).queryKey, list],
    ],
    { route: '/cut/:list', address: '/cut/7' },
  );

it('cuts equal strands together, names the pieces, and lets a leftover be kept or binned', () => {
  open(LIST);
  const spool = within(screen.getByRole('region', { name: 'S005 Lichen' }));
  const cut = spool.getByText('990 mm').closest('tr') as HTMLElement;
  expect(cut.textContent).toContain('3 ×');
  expect(cut.textContent).toContain('F-0009 #25, F-0009 #26');
  expect((spool.getByRole('radio', { name: 'Keep' }) as HTMLInputElement).checked).toBe(true);
  expect(screen.getByRole('button', { name: 'Confirm: 2 pieces are cut' })).toBeDefined();
});

it('says which strands come from tails, whose, and how long they are at the least', () => {
  open(LIST);
  expect(screen.getByText('2 strands from trimmings')).toBeDefined();
  expect(
    screen.getByText(
      /2 × Gathering.*, 320 mm Lichen \(LI2\), for F-0009 #26, #27: take the tails of Working of #25, at least 722.9 mm each/,
    ),
  ).toBeDefined();
  expect(screen.getByText(/One tail in twenty turns out shorter/)).toBeDefined();
});

it('says what has to wait and what it lacks', () => {
  open(LIST);
  expect(
    screen.getByText(/each needs 14.40 m of Lichen \(LI2\) from one lot; the best lot has/),
  ).toBeDefined();
});

it('moves nothing any more once it is confirmed', () => {
  open({ ...LIST, confirmedAt: '2026-11-25T11:00:00Z', confirmedBy: 'Bram', trimmings: [], waiting: [] });
  expect(screen.getByText(/Cut and booked by Bram/)).toBeDefined();
  expect(screen.queryByRole('button', { name: /Confirm/ })).toBeNull();
  expect(screen.queryByRole('radio')).toBeNull();
  expect(screen.queryByText(/from trimmings/)).toBeNull();
});

it('asks for a batch when there is none', () => {
  show(<CutPage />, [[cuttableQuery.queryKey, []]]);
  fireEvent.click(screen.getByRole('link', { name: 'Go to Plan' }));
  expect(screen.getByText('Nothing to cut. Make a batch first.')).toBeDefined();
});

it('says how near a plan is to the best, what it saves, and when time ran out', () => {
  const quality = { cost: 3.41, bound: 3.41, saved: 0, gapPercent: 0, complete: true };
  const { unmount } = open({ ...LIST, quality });
  expect(screen.getByText(/No plan is better than this one/).textContent).not.toContain('less than');
  unmount();
  open({ ...LIST, quality: { cost: 3.41, bound: 3.4, saved: 1.2, gapPercent: 0.3, complete: false } });
  const words = screen.getByText(/At most 0.30 % could still be saved/).textContent;
  expect(words).toContain('€1.20 less than cutting the longest first');
  expect(words).toContain('Time ran out');
  expect(screen.getByText(/opens one sealed spool. Without that, 2 more pieces would wait/)).toBeTruthy();
});
