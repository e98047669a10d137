import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { anewQuery } from '../../shared/AnewNote';
import { plannedQuery } from '../../shared/days';
import { sessionQuery } from '../../shared/session';
import { block, board, UNPLANNED } from '../../test/board';
import { list, spool, strand } from '../../test/cuts';
import { answering, Reply, refused, serving } from '../../test/server';
import { paged, show } from '../../test/show';
import CutPage from './CutPage';
import { cutListQuery, cuttableQuery, weightsQuery } from './queries';

const LIST: Schemas['CutListView'] = {
  ...list([
    spool(11, 'S005', [
      strand(1, 990_000, 0, 25),
      strand(2, 990_000, 990_000, 26),
      strand(3, 990_000, 1_980_000, 26),
      { id: 4, number: 4, kind: 'REST', lengthUm: 47_030_000, fromUm: 2_970_000, keep: true },
    ]),
  ]),
  opened: 1,
  waitingUnopened: 2,
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
      strandIds: [261, 271],
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
const BATCH: Schemas['CuttableBatch'] = {
  id: 3,
  name: 'Club lanyards',
  pieces: 2,
  cut: 0,
  openList: 7,
  begun: false,
};

const open = (shown: Schemas['CutListView']) =>
  show(
    <CutPage />,
    [
      [sessionQuery.queryKey, { currency: 'EUR' }],
      [plannedQuery(3).queryKey, UNPLANNED],
      [plannedQuery(3).queryKey, UNPLANNED],
      [cuttableQuery.queryKey, paged([BATCH])],
      [cutListQuery(7).queryKey, shown],
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

it('cuts a strand after all whose tail is too short, for the piece that is named', async () => {
  const asked = answering(204);
  open(LIST);
  fireEvent.click(screen.getByRole('button', { name: 'A tail is too short' }));
  fireEvent.click(await screen.findByRole('menuitem', { name: 'Cut it for piece #27 after all' }));
  await waitFor(() =>
    expect(asked.map((a) => `${a.method} ${a.path}`)).toContain(
      'POST /api/cut/lists/7/trimmings/271/too-short',
    ),
  );
});

it('says when a slider comes from the tails of its own body', () => {
  const own = LIST.trimmings.map((trimming) => ({ ...trimming, sourcePieces: trimming.pieces }));
  open({ ...LIST, trimmings: own });
  expect(screen.getByText(/take a tail of Working of the same piece, at least 722.9 mm/)).toBeDefined();
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
  show(<CutPage />, [
    [plannedQuery(3).queryKey, UNPLANNED],
    [cuttableQuery.queryKey, paged([])],
  ]);
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

const WEIGHTS: Schemas['WeightsView'] = {
  weights: { leftoverPercent: 80, handling: 0.01, ageing: 0.02, seconds: 5 },
  revision: 4,
};

const choose = (role: string) =>
  show(<CutPage />, [
    [sessionQuery.queryKey, { currency: 'EUR', role }],
    [plannedQuery(3).queryKey, UNPLANNED],
    [cuttableQuery.queryKey, paged([BATCH])],
    [weightsQuery.queryKey, WEIGHTS],
    [anewQuery.queryKey, paged([])],
  ]);

it('shows a maker what plans are to save, and lets the owner set it', () => {
  const { unmount } = choose('MAKER');
  expect((screen.getByLabelText('A leftover counts for') as HTMLInputElement).readOnly).toBe(true);
  expect(screen.queryByRole('button', { name: 'Keep the weights', hidden: true })).toBeNull();
  unmount();
  choose('OWNER');
  expect((screen.getByLabelText('Keeping one more leftover costs') as HTMLInputElement).value).toBe('0.01');
  expect(screen.getByRole('button', { name: 'Keep the weights', hidden: true })).toBeTruthy();
});

it('says which weight cannot be kept', async () => {
  const asked = answering(422, refused('handling'));
  choose('OWNER');
  fireEvent.change(screen.getByLabelText('Keeping one more leftover costs'), { target: { value: 'much' } });
  fireEvent.click(screen.getByRole('button', { name: 'Keep the weights', hidden: true }));
  expect(await screen.findByText('Bad handling. Write it anew.')).toBeTruthy();
  expect(asked[0]?.body).toEqual({
    leftoverPercent: 80,
    handling: 'much',
    ageing: '0.02',
    seconds: 5,
    revision: 4,
  });
});

it('shows what is cut so far, by whom, and lets the bench choose where and when', async () => {
  const asked = answering(204);
  const steps = [
    { ...strand(1, 990_000, 0, 25), doneAt: '2026-11-25T10:00:00Z', doneBy: 'Bram' },
    strand(2, 500_000, 990_000, 26),
  ];
  open({
    ...list([spool(11, 'S005', steps), spool(12, 'S006', [strand(3, 400_000, 0, 27)])]),
    done: 1,
    unplanned: 2,
    forbidden: [{ holdingId: 9, label: 'S009', articleCode: 'LI2', colour: '#8A9A5B' }],
    pins: [{ pieceId: 26, reference: 'F-0009', holdingId: 5, label: 'S005', articleCode: 'LI2' }],
  });
  expect(screen.getByText('1 of 3 strands are cut.')).toBeTruthy();
  expect(screen.getByText('1 of 1 cut by Bram')).toBeTruthy();
  expect(screen.getByText('2 strands are not planned any more')).toBeTruthy();
  expect(screen.getByRole('link', { name: 'Go on cutting' })).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Use it again' }));
  fireEvent.click(screen.getByRole('button', { name: 'What to do with S006' }));
  fireEvent.click(await screen.findByRole('menuitem', { name: 'Cut it first' }));
  fireEvent.click(screen.getByRole('button', { name: 'Where to cut #27 from' }));
  fireEvent.click(await screen.findByRole('menuitem', { name: 'Spool S005' }));
  await waitFor(() =>
    expect(asked.filter((a) => a.method === 'PUT').map((a) => [a.path.split('/').at(-1), a.body])).toEqual([
      ['wishes', { forbidden: [], pins: [{ piece: 26, holding: 5 }] }],
      ['order', { spools: [12, 11] }],
      [
        'wishes',
        {
          forbidden: [9],
          pins: [
            { piece: 26, holding: 5 },
            { piece: 27, holding: 5 },
          ],
        },
      ],
    ]),
  );
});

it('plans several batches together, chosen one by one or by day', async () => {
  const asked = answering(201, { id: 8 });
  const batch = (id: number, due?: string): Schemas['CuttableBatch'] => ({
    id,
    name: `Batch ${id}`,
    pieces: 4,
    cut: 0,
    begun: false,
    ...(due ? { due } : {}),
  });
  show(<CutPage />, [
    [sessionQuery.queryKey, { currency: 'EUR', role: 'OWNER' }],
    [plannedQuery(3).queryKey, UNPLANNED],
    [
      cuttableQuery.queryKey,
      paged([
        batch(1, '2026-12-01'),
        batch(2),
        batch(3, '2026-12-05'),
        { ...batch(4), begun: true, openList: 6 },
      ]),
    ],
    [weightsQuery.queryKey, WEIGHTS],
    [anewQuery.queryKey, paged([])],
  ]);
  expect((screen.getByLabelText('Choose Batch 4') as HTMLInputElement).disabled).toBe(true);
  expect(screen.getByRole('link', { name: 'Go on cutting' })).toBeTruthy();
  fireEvent.click(screen.getByLabelText('Choose Batch 1'));
  fireEvent.click(screen.getByLabelText('Choose Batch 3'));
  fireEvent.click(screen.getByRole('button', { name: 'Plan 2 batches together' }));
  await waitFor(() => expect(asked[0]?.body).toEqual({ batches: [1, 3] }));
});

it('takes what the plan wants cut first, and plans its cuts', async () => {
  const asked = serving({
    'POST /api/workplan/take': new Reply(201, { id: 12 }),
    'POST /api/cut/lists': new Reply(201, { id: 40 }),
  });
  const posted = () => asked.filter((a) => a.method === 'POST').map((a) => a.body);
  show(<CutPage />, [
    [
      plannedQuery(3).queryKey,
      board([block([11], { toCut: 4 }), block([13], { toCut: 2, batch: 8 }), block([15])]),
    ],
    [cuttableQuery.queryKey, paged([])],
  ]);
  expect(screen.getByText(/Today · Tove · 4 pieces/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Take and plan the cuts' }));
  await waitFor(() => expect(posted()).toEqual([{ plan: 7, parcels: [11] }, { batches: [12] }]));
  fireEvent.click(screen.getByRole('button', { name: 'Plan the cuts' }));
  await waitFor(() => expect(posted().at(-1)).toEqual({ batches: [8] }));
});
