import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { endangeredQuery } from '../../shared/days';
import { buyFirstQuery, todayQuery } from '../../shared/work';
import { Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
import TodayPage from './TodayPage';

const row = (more: Partial<Schemas['MorningRow']> = {}): Schemas['MorningRow'] => ({
  order: 3,
  reference: 'F-0003',
  customer: 'Marit',
  line: 4,
  patternName: 'Snake-knot band',
  doing: 'TIE',
  pieces: 2,
  piece: 25,
  some: [25, 26],
  due: '2026-12-05',
  startBy: '2026-12-04',
  late: false,
  missing: 0,
  inHand: false,
  mine: true,
  open: false,
  planned: false,
  ...more,
});

const LINE = { articleId: 2, code: 'EM2', name: 'Ember', runsOut: '2026-12-20', orderBy: '2026-12-06' };

interface Day extends Partial<Schemas['TodayView']> {
  danger?: Schemas['TroubledOrderView'][];
  lines?: object[];
}

const open = ({ danger = [], lines = [], ...day }: Day) =>
  show(<TodayPage />, [
    [endangeredQuery.queryKey, { rows: danger }],
    [buyFirstQuery.queryKey, { rows: lines, lacking: 0, enough: 0 }],
    [todayQuery.queryKey, { now: [], more: 0, waits: [], decide: [], ...day }],
  ]);

const item = (name: RegExp) => within(screen.getByText(name).closest('li') as HTMLElement);

it('ends each row of what can be done in its act', () => {
  open({
    now: [
      row({ order: 1, reference: 'F-0001', inHand: true, pieces: 1, late: true, startBy: '2026-11-28' }),
      row({ order: 2, reference: 'F-0002', doing: 'SEND' }),
      row({ order: 4, reference: 'F-0004', doing: 'CHECK', piece: 44 }),
      row({ order: 5, reference: 'F-0005', doing: 'CUT', batch: 7, cutList: 9 }),
      row({ order: 7, reference: 'F-0007', doing: 'CUT', open: true }),
      row({ order: 8, reference: 'F-0008', doing: 'CUT', open: true, planned: true }),
      row({ order: 6, reference: 'F-0006', startBy: undefined, due: undefined }),
    ],
    more: 3,
  });
  expect(
    item(/F-0001/)
      .getByRole('link', { name: 'Go on' })
      .getAttribute('href'),
  ).toBe('/bench/25');
  expect(item(/F-0001/).getByText(/^had to begin/)).toBeTruthy();
  expect(
    item(/F-0002/)
      .getByRole('link', { name: 'Send' })
      .getAttribute('href'),
  ).toBe('/finished/2');
  expect(
    item(/F-0004/)
      .getByRole('link', { name: 'Check' })
      .getAttribute('href'),
  ).toBe('/bench/44');
  expect(
    item(/F-0005/)
      .getByRole('link', { name: 'Cut' })
      .getAttribute('href'),
  ).toBe('/cut/9');
  expect(
    item(/F-0007/)
      .getByRole('link', { name: 'Plan' })
      .getAttribute('href'),
  ).toBe('/plan?order=F-0007');
  expect(
    item(/F-0008/)
      .getByRole('link', { name: 'By the plan' })
      .getAttribute('href'),
  ).toBe('/cut');
  expect(item(/F-0006/).getByText('whenever there is time')).toBeTruthy();
  expect(screen.getByText('and 3 more that begin later')).toBeTruthy();
});

it('takes a piece in hand, packs, and plans cuts from the row', async () => {
  const asked = serving({
    'POST /api/bench/take': {},
    'GET /api/orders/4/pieces/next': { pieces: [{ line: 1, number: 1, piece: { piece: 40 } }] },
    'POST /api/pieces/acts': {},
    'POST /api/cut/lists': new Reply(409, { ...refused(), title: 'Planned meanwhile' }),
    'GET /api/today': { now: [], more: 0, waits: [], decide: [] },
    'GET /api/workplan/orders': { rows: [] },
    'GET /api/stock/buy': { rows: [] },
  });
  open({
    now: [
      row({ reference: 'F-0003' }),
      row({ order: 4, reference: 'F-0004', doing: 'PACK' }),
      row({ order: 5, reference: 'F-0005', doing: 'CUT', batch: 7 }),
    ],
  });
  fireEvent.click(item(/F-0005/).getByRole('button', { name: 'Plan the cuts' }));
  expect(await screen.findByText('Planned meanwhile')).toBeTruthy();
  fireEvent.click(item(/F-0004/).getByRole('button', { name: 'Pack' }));
  await waitFor(() =>
    expect(asked.find((a) => a.path === '/api/pieces/acts')?.body).toEqual({ act: 'PACK', pieces: [40] }),
  );
  expect(asked.find((a) => a.path === '/api/cut/lists')?.body).toEqual({ batches: [7] });
});

it('says of what waits until when, or for how many pieces more', () => {
  open({
    waits: [
      row({ order: 1, reference: 'F-0001', doing: 'PACK', until: '2026-12-01T09:00:00Z' }),
      row({ order: 2, reference: 'F-0002', doing: 'SEND', missing: 3 }),
    ],
  });
  expect(item(/F-0001/).getByText(/^dry .*2026/)).toBeTruthy();
  expect(item(/F-0002/).getByText('waits for 3 pieces more')).toBeTruthy();
  expect(
    item(/F-0002/)
      .getByRole('link', { name: 'Send a part' })
      .getAttribute('href'),
  ).toBe('/finished/2');
  expect(screen.getByText('Nothing can be done at this moment.')).toBeTruthy();
});

it("marks what is somebody else's, so that a phone shows only what is one's own", () => {
  open({ now: [row({ mine: false }), row({ order: 4, reference: 'F-0004' })] });
  expect(screen.getByText(/F-0003/).closest('li')?.dataset.others).toBe('true');
  expect(screen.getByText(/F-0004/).closest('li')?.dataset.others).toBeUndefined();
});

it('names each decision that waits, with where it is taken', () => {
  open({
    decide: [
      { kind: 'HELD_UP', count: 1, order: 7, reference: 'F-0007', customer: 'Gull watch', piece: 31 },
      { kind: 'TRAY', count: 2 },
      { kind: 'STALE_QUOTE', count: 1, order: 8, reference: 'F-0008', customer: 'Runa', since: '2026-11-20' },
      { kind: 'OUTLIER', count: 1 },
      { kind: 'DRIFT', count: 1 },
    ],
  });
  expect(screen.getByRole('link', { name: 'Decide' }).getAttribute('href')).toBe('/bench/31');
  expect(
    item(/2 deliveries of shops/)
      .getByRole('link')
      .getAttribute('href'),
  ).toBe('/orders/deliveries');
  expect(
    item(/The quote ended on .*, and nobody/)
      .getAllByRole('link')[1]
      ?.getAttribute('href'),
  ).toBe('/orders/8');
  expect(
    item(/1 measurement is far/)
      .getByRole('link')
      .getAttribute('href'),
  ).toBe('/measures/learned');
  expect(
    item(/1 hand has changed/)
      .getByRole('link')
      .getAttribute('href'),
  ).toBe('/measures/learned');
});

it('says what runs out and by when to order it', () => {
  open({ lines: [LINE, { ...LINE, articleId: 3, code: 'OA2', orderBy: undefined }] });
  expect(item(/^runs out on .* order by/).getByRole('link', { name: /Buy|buy/ })).toBeTruthy();
  expect(screen.queryByText(/OA2/)).toBeNull();
});

it('offers the next order where nothing waits', () => {
  open({});
  expect(screen.getByText(/Nothing waits anywhere/)).toBeTruthy();
  expect(screen.getByRole('link', { name: 'New order' })).toBeTruthy();
});

it('names what the plan brings into danger, and what would help', async () => {
  const order = { customer: 'Runa', due: '2026-12-04', must: false, lateDays: 0 };
  const asked = serving({
    'GET /api/session': { role: 'OWNER', name: 'Tove' },
    'GET /api/workplan/orders/9/rescue': {
      plan: 4,
      lateDays: 1,
      noMinutesHelp: false,
      overtime: [{ person: 2, name: 'Bram', day: '2026-12-02', minutes: 40 }],
    },
    'POST /api/people/2/calendar/longer': {},
  });
  open({
    now: [row()],
    danger: [
      { ...order, order: 9, reference: 'F-0009', lateChance: 0.34 },
      { ...order, order: 10, reference: 'F-0010', lateChance: 0, leftOut: 'NO_CORD' },
    ],
  });
  expect(screen.getByRole('heading', { name: '2 orders late or in danger by the plan' })).toBeTruthy();
  expect(screen.getByText(/1 in 3 to be late/)).toBeTruthy();
  expect(screen.getByText(/neither here nor on order/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'What would help' }));
  fireEvent.click(await screen.findByRole('button', { name: /longer|Longer|stay/i }));
  await waitFor(() =>
    expect(asked.find((a) => a.method === 'POST')?.body).toEqual({ day: '2026-12-02', minutes: 40 }),
  );
});

it('shows what to do though what is in danger cannot be told', async () => {
  serving({
    'GET /api/today': { now: [row()], more: 0, waits: [], decide: [] },
    'GET /api/workplan/orders': new Reply(409, { ...refused(), title: 'The plan is made anew' }),
    'GET /api/stock/buy': { rows: [], lacking: 0, enough: 0 },
  });
  show(<TodayPage />);
  expect(await screen.findByText(/F-0003/)).toBeTruthy();
  expect(screen.getByText('The plan is made anew')).toBeTruthy();
});
