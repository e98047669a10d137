import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { block, board, planned, UNPLANNED } from '../../test/board';
import { Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
import PlanPage from './PlanPage';

const RULES = {
  planning: false,
  wholePieces: false,
  keepFreePercent: 10,
  familySeconds: 480,
  jigSeconds: 240,
  spoolSeconds: 90,
  cutSeconds: 30,
  checkSeconds: 60,
  packSeconds: 60,
  revision: 2,
};

const routes = (more: Record<string, unknown> = {}) => ({
  'GET /api/session': { name: 'Tove', role: 'OWNER' },
  'GET /api/workplan': board([block([11, 12])]),
  'GET /api/workplan/rules': RULES,
  'GET /api/workplan/feeds': { feeds: [] },
  'GET /api/workplan/unplanned': { setUps: [] },
  'GET /api/workplan/orders': { rows: [] },
  'GET /api/workplan/diff': {
    first: false,
    pieces: 0,
    otherMaker: 0,
    later: [],
    moreLater: 0,
    sooner: [],
    moreSooner: 0,
  },
  'GET /api/plan': { open: [] },
  'GET /api/plan/anew': { rows: [] },
  'GET /api/plan/batches': { rows: [] },
  'GET /api/today': { now: [], more: 0, waits: [], decide: [] },
  ...more,
});

afterEach(() => vi.unstubAllGlobals());

const sent = (asked: { method: string; path: string; body: unknown }[], path: string) =>
  asked.find((a) => a.method !== 'GET' && a.path === path)?.body;

it('plans nothing until somebody wants it', async () => {
  const asked = serving(
    routes({
      'GET /api/workplan': UNPLANNED,
      'PUT /api/workplan/rules': { revision: 3 },
      'POST /api/workplan': new Reply(202, { id: 5 }),
    }),
  );
  show(<PlanPage />);
  expect(screen.queryByText('Late or in danger')).toBeNull();
  fireEvent.click(await screen.findByRole('button', { name: 'Plan the days' }));
  await waitFor(() => expect(sent(asked, '/api/workplan')).toEqual({ better: false }));
  expect(sent(asked, '/api/workplan/rules')).toEqual({ ...RULES, planning: true });
});

it('offers a small house what to tie today', async () => {
  const row = {
    order: 4,
    reference: 'F-0004',
    customer: 'Ilka',
    piece: 31,
    patternName: 'Snake-knot band',
    pieces: 2,
  };
  serving(
    routes({
      'GET /api/workplan': { ...UNPLANNED, makers: [{ person: 1, name: 'Tove', days: [] }], openPieces: 3 },
      'GET /api/today': {
        now: [
          { ...row, doing: 'TIE' },
          { ...row, order: 5, doing: 'CUT', pieces: 3 },
        ],
        more: 0,
        waits: [],
        decide: [],
      },
    }),
  );
  show(<PlanPage />);
  const list = await screen.findByRole('region', { name: 'To tie today' });
  expect(within(list).getByRole('link', { name: 'Tie' }).getAttribute('href')).toBe('/bench/31');
  expect(within(list).getByRole('link', { name: 'Cut' }).getAttribute('href')).toBe('/cut');
});

it('says what a plan is worth, and what any plan needs at least', async () => {
  serving(
    routes({
      'GET /api/workplan': board([block([11])], {
        plan: planned({
          act: 'MENDED',
          published: false,
          lateOrders: 2,
          lateDays: 5,
          leastLateDays: 3,
          about: [
            { what: 'CALENDAR', name: 'Bram', count: 0 },
            { what: 'UNPINNED', name: '', count: 3 },
          ],
        }),
      }),
      'GET /api/workplan/diff': {
        first: false,
        pieces: 12,
        otherMaker: 3,
        later: [
          { order: 4, reference: 'F-0004', customer: 'Ilka', before: '2026-12-03', after: '2026-12-05' },
        ],
        moreLater: 0,
        sooner: [],
        moreSooner: 0,
      },
    }),
  );
  show(<PlanPage />);
  expect(await screen.findByText(/2 orders late, by 5 days in all · 1 h of setting up/)).toBeTruthy();
  expect(
    screen.getByText(/at least 50 min of setting up\. Any plan is at least 3 days late\. That is a floor/),
  ).toBeTruthy();
  expect(
    screen.getByText(/Bram is at the bench at other times; 3 pieces were pinned and had to be placed anew\./),
  ).toBeTruthy();
  expect(
    await screen.findByText(
      /12 pieces stand elsewhere \(3 with another maker\); 1 order later, 0 orders sooner/,
    ),
  ).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Which orders' }));
  expect(screen.getByText(/F-0004 Ilka: ready Sat, Dec 5 instead of Thu, Dec 3, later/)).toBeTruthy();
});

it('lets the owner make, better, publish and take back, and a maker none of the first three', async () => {
  const asked = serving(
    routes({
      'GET /api/workplan': board([], { plan: planned({ published: false, canGoBack: true }) }),
      'POST /api/workplan': new Reply(202, { id: 5 }),
      'POST /api/workplan/publish': new Reply(204),
      'POST /api/workplan/back': { id: 6 },
    }),
  );
  const shown = show(<PlanPage />);
  fireEvent.click(await screen.findByRole('button', { name: 'Make it better' }));
  await waitFor(() => expect(sent(asked, '/api/workplan')).toEqual({ better: true }));
  fireEvent.click(screen.getByRole('button', { name: 'Publish' }));
  await waitFor(() => expect(sent(asked, '/api/workplan/publish')).toEqual({ plan: 7 }));
  fireEvent.click(screen.getByRole('button', { name: 'Take back' }));
  await waitFor(() => expect(sent(asked, '/api/workplan/back')).toEqual({ plan: 7 }));
  shown.unmount();
  serving(routes({ 'GET /api/session': { name: 'Bram', role: 'MAKER' } }));
  show(<PlanPage />);
  expect(await screen.findByRole('table', { name: 'Who ties what on which day' })).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Publish' })).toBeNull();
  expect(screen.queryByRole('button', { name: 'Plan anew' })).toBeNull();
});

it('says who is planning, and lets the owner stop it', async () => {
  const asked = serving(
    routes({
      'GET /api/workplan': board([], { whoPlans: 'Bram', share: 0.5 }),
      'POST /api/workplan/stop': new Reply(204),
    }),
  );
  show(<PlanPage />);
  expect(await screen.findByText('Bram is making a plan; it gets better as you look.')).toBeTruthy();
  fireEvent.click(await screen.findByRole('button', { name: 'Stop, keep the best' }));
  await waitFor(() => expect(asked.some((a) => a.path === '/api/workplan/stop')).toBe(true));
});

const PIECES = /^4 pieces · Snake-knot band · Night Tide · 1 h 30 min · First wanted Sat, Dec 5 · planned$/;

it('carries a batch by keys from day to day and from maker to maker', async () => {
  const asked = serving(
    routes({
      'POST /api/workplan/move': { id: 8 },
      'POST /api/workplan/pin': { id: 8 },
      'POST /api/workplan/take': new Reply(201, { id: 3 }),
    }),
  );
  show(<PlanPage />);
  const batch = await screen.findByRole('button', { name: PIECES });
  fireEvent.keyDown(batch, { key: 'ArrowRight' });
  await waitFor(() =>
    expect(sent(asked, '/api/workplan/move')).toEqual({
      plan: 7,
      parcels: [11, 12],
      person: 1,
      day: '2026-12-02',
    }),
  );
  asked.length = 0;
  fireEvent.keyDown(batch, { key: 'ArrowDown' });
  await waitFor(() =>
    expect(sent(asked, '/api/workplan/move')).toEqual({
      plan: 7,
      parcels: [11, 12],
      person: 2,
      day: '2026-12-01',
    }),
  );
  fireEvent.keyDown(batch, { key: 'p' });
  await waitFor(() =>
    expect(sent(asked, '/api/workplan/pin')).toEqual({
      plan: 7,
      parcels: [11, 12],
      person: 1,
      day: '2026-12-01',
    }),
  );
  fireEvent.keyDown(batch, { key: 't' });
  await waitFor(() => expect(sent(asked, '/api/workplan/take')).toEqual({ plan: 7, parcels: [11, 12] }));
  // There is nobody above, and no day before.
  asked.length = 0;
  fireEvent.keyDown(batch, { key: 'ArrowUp' });
  fireEvent.keyDown(batch, { key: 'ArrowLeft' });
  fireEvent.keyDown(batch, { key: 'm' });
  expect(asked.filter((a) => a.method === 'POST')).toEqual([]);
});

it('drops a batch on another day', async () => {
  const asked = serving(routes({ 'POST /api/workplan/move': { id: 8 } }));
  show(<PlanPage />);
  const batch = await screen.findByRole('button', { name: PIECES });
  const kept = new Map<string, string>();
  const dataTransfer = {
    setData: (type: string, data: string) => kept.set(type, data),
    getData: (type: string) => kept.get(type) ?? '',
    get types() {
      return [...kept.keys()];
    },
  };
  fireEvent.dragStart(batch, { dataTransfer });
  const cell = document.querySelector('td[data-person="2"][data-day="2026-12-01"]') as HTMLElement;
  fireEvent.dragOver(cell, { dataTransfer });
  expect(cell.dataset.over).toBe('true');
  fireEvent.drop(cell, { dataTransfer });
  await waitFor(() =>
    expect(sent(asked, '/api/workplan/move')).toEqual({
      plan: 7,
      parcels: [11, 12],
      person: 2,
      day: '2026-12-01',
    }),
  );
});

it('says why a batch is where it is, moves it as stated, and keeps what was refused in sight', async () => {
  const asked = serving(
    routes({
      'GET /api/workplan': board([
        block([11], { lateChance: 0.17 }),
        block([13], { pieces: 2, seconds: 1800 }),
      ]),
      'GET /api/workplan/reason': {
        setUpSeconds: 90,
        fromNothingSeconds: 810,
        daysInHand: 4,
        elsewhere: { person: 2, name: 'Bram', before: 21, lateDays: 9, lateOrders: 1, effortSeconds: 60 },
      },
      'POST /api/workplan/move': { id: 8 },
      'POST /api/workplan/split': new Reply(422, refused('count')),
      'POST /api/workplan/merge': { id: 8 },
    }),
  );
  show(<PlanPage />);
  fireEvent.click(await screen.findByRole('button', { name: /^4 pieces/ }));
  const panel = await screen.findByRole('region', { name: 'The batch' });
  expect(
    await within(panel).findByText(
      /Setting up takes 2 min here, and 14 min from an empty bench\. 4 days in hand\./,
    ),
  ).toBeTruthy();
  expect(within(panel).getByText(/with Bram: 9 late days more/)).toBeTruthy();
  expect(within(panel).getByText(/1 in 6 to be late/)).toBeTruthy();
  fireEvent.click(within(panel).getByRole('button', { name: 'Move it there' }));
  await waitFor(() =>
    expect(sent(asked, '/api/workplan/move')).toEqual({ plan: 7, parcels: [11], person: 2, before: 21 }),
  );
  fireEvent.click(within(panel).getByRole('button', { name: 'Merge with the next alike' }));
  await waitFor(() =>
    expect(sent(asked, '/api/workplan/merge')).toEqual({ plan: 7, parcels: [11], with: [13] }),
  );
  fireEvent.click(within(panel).getByRole('button', { name: 'Split' }));
  expect(await screen.findByText(/Bad count/)).toBeTruthy();
  fireEvent.click(within(panel).getByRole('button', { name: 'Close' }));
  expect(screen.queryByRole('region', { name: 'The batch' })).toBeNull();
});

it('names late orders with what would help, as acts', async () => {
  const order = {
    order: 4,
    reference: 'F-0004',
    customer: 'Ilka',
    due: '2026-12-03',
    must: false,
    ready: '2026-12-05',
    even: '2026-12-05',
    sure: '2026-12-07',
    lateChance: 0.99,
    lateDays: 2,
  };
  const asked = serving(
    routes({
      'GET /api/workplan/orders': {
        rows: [order, { ...order, order: 5, reference: 'F-0005', leftOut: 'NO_CORD', lateChance: 0 }],
      },
      'GET /api/workplan/orders/4/rescue': {
        plan: 7,
        lateDays: 2,
        noMinutesHelp: false,
        overtime: [{ person: 2, name: 'Bram', day: '2026-12-03', minutes: 45 }],
        goesFirst: { later: ['F-0009'], more: 0 },
      },
      'POST /api/people/2/calendar/longer': { revision: 4 },
      'POST /api/workplan/orders/4/first': { id: 8 },
      'PUT /api/orders/4/must': new Reply(204),
    }),
  );
  show(<PlanPage />);
  const troubled = await screen.findByRole('region', { name: 'Late or in danger' });
  expect(
    await within(troubled).findByText(/late, as it stands · ready by Sat, Dec 5 with even chances/),
  ).toBeTruthy();
  expect(within(troubled).getByText(/its cord or parts are neither here nor on order/)).toBeTruthy();
  fireEvent.click(within(troubled).getByRole('button', { name: 'What would help' }));
  expect(
    await within(troubled).findByText(/Bram stays 45 min longer on Thu, Dec 3: then it is in time/),
  ).toBeTruthy();
  expect(within(troubled).getByText(/F-0009 get later/)).toBeTruthy();
  fireEvent.click(within(troubled).getByRole('button', { name: 'Make that day longer' }));
  await waitFor(() =>
    expect(sent(asked, '/api/people/2/calendar/longer')).toEqual({ day: '2026-12-03', minutes: 45 }),
  );
  fireEvent.click(within(troubled).getByRole('button', { name: 'Put it first' }));
  await waitFor(() => expect(sent(asked, '/api/workplan/orders/4/first')).toEqual({ plan: 7 }));
  fireEvent.click(within(troubled).getByRole('button', { name: 'It must be in time' }));
  await waitFor(() => expect(sent(asked, '/api/orders/4/must')).toEqual({ must: true }));
});

it('shows a calendar address once, and withdraws it', async () => {
  const asked = serving(
    routes({
      'GET /api/workplan/feeds': {
        feeds: [{ id: 3, person: 2, madeAt: '2026-12-01T08:00:00Z', madeBy: 'Tove' }],
      },
      'POST /api/workplan/feeds': new Reply(201, { id: 4, path: '/api/feeds/abc/plan.ics' }),
      'DELETE /api/workplan/feeds/3': new Reply(204),
    }),
  );
  show(<PlanPage />);
  const feeds = await screen.findByRole('region', { name: 'Calendars that follow the plan' });
  fireEvent.change(within(feeds).getByLabelText('Whose days'), { target: { value: '1' } });
  fireEvent.click(within(feeds).getByRole('button', { name: 'Make an address' }));
  expect(await within(feeds).findByText(/\/api\/feeds\/abc\/plan\.ics$/)).toBeTruthy();
  expect(sent(asked, '/api/workplan/feeds')).toEqual({ person: 1 });
  fireEvent.click(within(feeds).getByRole('button', { name: 'Withdraw' }));
  await waitFor(() => expect(asked.some((a) => a.method === 'DELETE')).toBe(true));
});

it('shows whoever holds a phone their own days', async () => {
  vi.stubGlobal('matchMedia', (query: string) => ({
    matches: query.includes('max-width: 700px'),
    addEventListener: () => {},
    removeEventListener: () => {},
    addListener: () => {},
    removeListener: () => {},
  }));
  serving(
    routes({
      'GET /api/session': { name: 'Tove', role: 'OWNER' },
      'GET /api/workplan': board([block([11], { toCut: 4 }), block([12], { pieces: 0, state: 'BEGUN' })]),
    }),
  );
  show(<PlanPage />);
  const today = await screen.findByRole('region', { name: 'Tue, Dec 1' });
  expect(within(today).getByText('4 pieces · Snake-knot band')).toBeTruthy();
  expect(within(today).getByRole('link', { name: 'Cut' })).toBeTruthy();
  expect(within(today).getByText('A piece that goes on over the night · Snake-knot band')).toBeTruthy();
  fireEvent.click(screen.getByLabelText('Bram'));
  expect(await screen.findByText('Nothing is planned on these days.')).toBeTruthy();
});

it('shows what stands in no plan at the left, by set-up', async () => {
  serving(
    routes({
      'GET /api/workplan/unplanned': {
        setUps: [
          {
            setUp: 'snake|4,5',
            patternName: 'Snake-knot band',
            cords: [{ code: 'HE2', name: 'Heather', colour: '#8F6B9B' }],
            pieces: 4,
            orders: 1,
            firstDue: '2026-12-18',
          },
        ],
      },
    }),
  );
  show(<PlanPage />);
  const left = await screen.findByRole('region', { name: 'Not planned' });
  expect(within(left).getByText('4 pieces of 1 order · Fri, Dec 18')).toBeTruthy();
  expect(within(left).getByText('Heather')).toBeTruthy();
});
