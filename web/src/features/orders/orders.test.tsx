import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, it, test, vi } from 'vitest';
import type { Schemas } from '../../api/client';
import { ordersQuery } from '../../shared/orders';
import { PromiseLine } from '../../shared/piece/PromiseLine';
import { show } from '../../test/show';
import { HistoryList } from './HistoryList';
import { InTheWay } from './InTheWay';
import OrdersPage from './OrdersPage';
import { PriceTable } from './PriceTable';
import { QuickEntry } from './QuickEntry';
import { quoteTextQuery, readQuery } from './queries';

const PROMISE: Schemas['PromiseView'] = {
  last: '2031-03-11',
  inTurn: '2031-03-08',
  due: '2031-03-10',
  verdict: 'TIGHT',
  workMinutes: 120,
  aheadMinutes: 360,
  dueBeforeMinutes: 180,
  minutesPerWeek: 660,
  dryingDays: 0,
};

const line = (change: Partial<Schemas['LinePrice']>): Schemas['LinePrice'] => ({
  line: 1,
  pattern: 'snake',
  patternVersion: 1,
  patternName: 'Snake-knot band',
  colours: ['Oat'],
  kit: false,
  quantity: 2,
  material: 0.8,
  labour: 5,
  margin: 1.45,
  fees: 0,
  rounding: 0.25,
  off: 0,
  each: 7.5,
  total: 15,
  ...change,
});

const price = (lines: Schemas['LinePrice'][], gross: number): Schemas['PriceView'] => ({
  lines,
  net: gross,
  tax: 0,
  gross,
  taxPercent: 0,
  taxIncluded: true,
});

const order = (change: Partial<Schemas['OrderView']>) =>
  ({
    id: 7,
    reference: 'F-0007',
    state: 'ACCEPTED',
    promise: PROMISE,
    price: price([line({})], 15),
    shortages: [],
    lines: [],
    history: [],
    ...change,
  }) as Schemas['OrderView'];

test.each([
  ['GOOD', PROMISE, /Wanted Mon, Mar 10, 2031, ready by Tue, Mar 11, 2031/],
  ['TIGHT', PROMISE, /ready by Sat, Mar 8, 2031 if it goes before work that is wanted later/],
  ['NO', PROMISE, /Agree on a later day, or open the bench longer/],
  ['UNKNOWN', { ...PROMISE, due: undefined }, /^Can be ready by Tue, Mar 11, 2031/],
  ['NO', { ...PROMISE, last: undefined, inTurn: undefined }, /No day can be promised/],
] as const)(
  'a promise that is %s says so in words, with the minutes behind it',
  (verdict, promise, words) => {
    show(<PromiseLine promise={{ ...promise, verdict }} />);
    expect(screen.getByText(words)).toBeTruthy();
    expect(screen.getByText(/120 min of work after 360 min taken on/)).toBeTruthy();
  },
);

it('says how long glue must dry', () => {
  show(<PromiseLine promise={{ ...PROMISE, dryingDays: 1 }} />);
  expect(screen.getByText(/One day of it to let glue dry/)).toBeTruthy();
});

it('shows the price that was agreed, and today’s only when asked', () => {
  const quote: Schemas['QuoteView'] = {
    id: 1,
    number: 2,
    at: '2031-03-01T10:00:00Z',
    who: 'Tove',
    validUntil: '2031-03-15',
    acceptedAt: '2031-03-02T10:00:00Z',
    price: price([line({ each: 6, total: 12 })], 12),
  };
  show(<PriceTable order={order({ quote })} />, [[quoteTextQuery(7).queryKey, 'Dear Marit']]);
  expect(screen.getByRole('heading', { name: 'Quote 2' })).toBeTruthy();
  expect(screen.getAllByText('€12.00')).toHaveLength(2);
  expect(screen.queryByText('Fees'), 'parts that are nothing everywhere are left out').toBeNull();
  fireEvent.click(screen.getByText("See today's price"));
  expect(screen.getAllByText('€15.00')).toHaveLength(2);
});

test.each([
  ['CHANGED', 'line 1', '2031-03-02T10:00:00Z', true],
  ['CHANGED', 'customer, lines', '2031-03-02T10:00:00Z', true],
  ['SPLIT', '', '2031-03-02T10:00:00Z', true],
  ['CHANGED', 'customer, due, note', '2031-03-02T10:00:00Z', false],
  ['CHANGED', 'line 1', '2031-02-28T10:00:00Z', false],
  ['CUT', '', '2031-03-02T10:00:00Z', false],
] as const)('a price that was named for other pieces is told: %s of %s at %s', (what, fields, at, told) => {
  const quote = {
    id: 1,
    number: 1,
    at: '2031-03-01T10:00:00Z',
    who: 'Tove',
    validUntil: '2031-03-15',
    price: price([], 12),
  };
  const event: Schemas['EventView'] = { id: 9, at, who: 'Bram', what, detail: { fields } };
  show(<PriceTable order={order({ quote, history: [event] })} />, [[quoteTextQuery(7).queryKey, '']]);
  expect(screen.queryByText(/changed since this price was named/) !== null).toBe(told);
  expect(screen.queryAllByText('€15.00')).toHaveLength(told ? 1 : 0);
});

it('shows what it would cost as long as nothing was named', () => {
  show(<PriceTable order={order({ price: price([line({ off: -0.5 })], 15) })} />);
  expect(screen.getByRole('heading', { name: 'Price, as of today' })).toBeTruthy();
  expect(screen.getByText('Quantity')).toBeTruthy();
  expect(screen.queryByText('PDF')).toBeNull();
});

it('sums up what stands in the way of the whole order', () => {
  const shortages = [
    { code: 'HE2', name: 'Heather', unit: 'METRE', needed: 10_680_000, free: 2_300_000, onHand: 4_800_000 },
  ];
  const checks = [
    { code: 'hole', verdict: 'NO' },
    { code: 'stock', verdict: 'NO' },
  ];
  const lines = [{ id: 1, quantity: 3, piece: { patternName: 'Square-knot bar', checks } }];
  show(<InTheWay order={order({ shortages, lines: lines as never })} />);
  expect(
    screen.getByText('HE2 Heather: all pieces together need 10.68 m, 2.30 m free of 4.80 m on hand.'),
  ).toBeTruthy();
  expect(screen.getByText(/3 × Square-knot bar cannot be made as chosen/)).toBeTruthy();
});

it('says when nothing does, and nothing at all once the pieces are made', () => {
  show(<InTheWay order={order({})} />);
  expect(screen.getByText('Nothing else stands in the way.')).toBeTruthy();
  expect(
    show(<InTheWay order={order({ state: 'FINISHED' })} />).container.querySelector('.panel'),
  ).toBeNull();
});

it('tells the history in words', () => {
  const event = (id: number, what: string, detail: Record<string, string>) =>
    ({ id, at: '2031-03-01T10:00:00Z', who: 'Bram', what, detail }) as Schemas['EventView'];
  show(
    <HistoryList history={[event(2, 'CUT', { pieces: '3' }), event(1, 'ACCEPTED', { gross: '15.00' })]} />,
  );
  expect(screen.getByText('3 pieces cut')).toBeTruthy();
  expect(screen.getByText('Accepted at 15.00')).toBeTruthy();
});

const row = (id: number, change: Partial<Schemas['OrderRow']>): Schemas['OrderRow'] => ({
  id,
  reference: `F-000${id}`,
  source: 'FORM',
  customer: `Customer ${id}`,
  pieces: 4,
  planned: 4,
  cut: 4,
  made: 1,
  dispatched: 0,
  state: 'MAKING',
  verdict: 'GOOD',
  lineIds: [id],
  ...change,
});

/** The list as the address asks for it, answered with these rows. */
function list(
  address: string,
  filter: Parameters<typeof ordersQuery>[0],
  rows: Schemas['OrderRow'][],
  total: number,
) {
  return show(
    <OrdersPage />,
    [[ordersQuery(filter).queryKey, { pages: [{ rows, total }], pageParams: [''] }]],
    { route: '/orders', address },
  );
}

const ALL = { query: undefined, states: [], from: undefined, to: undefined, sort: undefined };

it('shows how far orders are, and offers what may be done with those that are chosen', async () => {
  const answers = vi.fn(async (request: Request) =>
    Response.json(
      request.method === 'GET'
        ? [
            { order: 1, pieces: [11, 12] },
            { order: 2, pieces: [] },
          ]
        : [
            { order: 1, problem: '' },
            { order: 2, problem: 'order.notNow' },
          ],
    ),
  );
  vi.stubGlobal('fetch', answers);
  list('/orders', ALL, [row(1, {}), row(2, { state: 'CUTTING', cut: 2 })], 2);
  expect(screen.getByText('1 of 4 made')).toBeTruthy();
  expect(screen.getByText('2 of 4 cut')).toBeTruthy();
  expect(screen.queryByRole('group', { name: 'With the chosen orders' })).toBeNull();
  fireEvent.click(screen.getByLabelText('Choose all that are shown'));
  const bar = screen.getByRole('group', { name: 'With the chosen orders' });
  expect(within(bar).getByText('2 orders chosen')).toBeTruthy();
  fireEvent.click(within(bar).getByText('All cut pieces are made'));
  expect(
    await within(bar).findByText('Takes 2 pieces of 1 order. 1 order has none that is so far.'),
  ).toBeTruthy();
  fireEvent.click(within(bar).getByText('All cut pieces are made'));
  await waitFor(() => expect(screen.queryByRole('group', { name: 'With the chosen orders' })).toBeNull());
  const asked = answers.mock.calls
    .map(([request]: unknown[]) => request as Request)
    .find((r) => r.method === 'POST');
  expect(await asked?.json()).toEqual({ orders: [1, 2], act: 'FINISH', pieces: [11, 12] });
});

it('keeps what is looked for in the address', () => {
  const filter = { ...ALL, query: 'oat', states: ['FINISHED' as const], sort: 'DUE' as const };
  list(
    '/orders?query=oat&show=send&sort=DUE',
    filter,
    [row(3, { state: 'FINISHED', dispatched: 0, made: 4 })],
    1,
  );
  expect((screen.getByLabelText('Find') as HTMLInputElement).value).toBe('oat');
  expect(screen.getByText('1 of 1 orders')).toBeTruthy();
  expect(screen.getByText('Export CSV').closest('a')?.getAttribute('href')).toBe(
    '/api/orders/export.csv?query=oat&states=FINISHED&sort=DUE',
  );
});

it('says that there are very many without counting them all', () => {
  list('/orders', ALL, [row(1, {})], 501);
  expect(screen.getByText('1 of more than 500 orders')).toBeTruthy();
});

it('says what to do when there is nothing, and how to see all when nothing matches', () => {
  list('/orders', ALL, [], 0);
  expect(screen.getByText('No orders yet. Import a file of them, or enter one.')).toBeTruthy();
  list('/orders?query=nobody', { ...ALL, query: 'nobody' }, [], 0);
  expect(screen.getByText('Show all')).toBeTruthy();
});

it('reads an order back word by word, and puts in what is chosen for an unclear one', async () => {
  const mark = (from: number, to: number, kind: string, value: string, more = {}) =>
    ({ from, to, kind, place: '', value, name: '', colour: '', choices: [], ...more }) as Schemas['MarkView'];
  const unclear: Schemas['TextView'] = {
    clear: false,
    lines: [
      {
        choices: {} as never,
        quantity: 3,
        matching: false,
        note: '',
        trial: {
          problems: [{ field: 'wrist', code: 'x', message: 'This needs a wrist.', remedy: 'Give it.' }],
        },
      },
    ],
    marks: [
      mark(0, 1, 'QUANTITY', '3'),
      mark(2, 8, 'UNCLEAR', 'spiral', { choices: [{ text: 'spiral-fob', meaning: 'Spiral key fob' }] }),
      mark(9, 12, 'COLOUR', 'OA2', { place: 'core', name: 'Oat', colour: '#D8C8A8' }),
      mark(13, 16, 'UNKNOWN', 'xyz'),
    ],
  };
  const clear = {
    ...unclear,
    clear: true,
    marks: [mark(2, 12, 'PATTERN', 'spiral-fob', { name: 'Spiral key fob' })],
  };
  show(<QuickEntry />, [
    [readQuery('3 spiral oat xyz', 'METRIC').queryKey, unclear],
    [readQuery('3 spiral-fob oat xyz', 'METRIC').queryKey, clear],
  ]);
  const field = screen.getByLabelText('Write an order') as HTMLInputElement;
  fireEvent.change(field, { target: { value: '3 spiral oat xyz' } });
  expect(await screen.findByText('Which is “spiral”?')).toBeTruthy();
  expect(screen.getByText('3 pieces')).toBeTruthy();
  expect(screen.getByText('Core cord: Oat')).toBeTruthy();
  expect(screen.getByText('“xyz” is not understood here')).toBeTruthy();
  expect(screen.getByText('This needs a wrist. Give it.')).toBeTruthy();
  expect(screen.getByText('Keep as a draft').closest('button')?.disabled).toBe(true);
  fireEvent.click(screen.getByText('Spiral key fob (spiral-fob)'));
  expect(field.value).toBe('3 spiral-fob oat xyz');
  expect(await screen.findByText('Spiral key fob')).toBeTruthy();
});

it('explains the shorthand by examples that can be tried', async () => {
  show(<QuickEntry />);
  fireEvent.click(screen.getByText('How it is written'));
  fireEvent.click(await screen.findByText(/^6 spiral-fob 12cm/));
  expect((screen.getByLabelText('Write an order') as HTMLInputElement).value).toMatch(/^6 spiral-fob/);
});
