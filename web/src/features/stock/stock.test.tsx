import { fireEvent, screen, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { articlesQuery } from '../../shared/articles';
import { devicesQuery } from '../../shared/devices';
import { materialsQuery } from '../../shared/piece/queries';
import { sessionQuery } from '../../shared/session';
import { show } from '../../test/show';
import ArticlePage from './ArticlePage';
import BuyPage from './BuyPage';
import CountPage from './CountPage';
import { buyQuery, cardQuery, countQuery, purchasesQuery, suppliersQuery, wallQuery } from './queries';
import StockPage from './StockPage';

const M = 1_000_000;

const HOUSE: [readonly unknown[], unknown][] = [
  [sessionQuery.queryKey, { currency: 'EUR' }],
  [materialsQuery.queryKey, []],
];

const article = (change: Partial<Schemas['Article']>): Schemas['Article'] => ({
  id: 1,
  code: 'HE2',
  kind: 'CORD',
  unit: 'METRE',
  name: 'Heather',
  colour: '#8F6B9B',
  material: 'polyester',
  diameterUm: 2000,
  keepUm: 300_000,
  onHand: 4 * M,
  bestLot: 4 * M,
  unitPrice: 0.2,
  ...change,
});

const buyLine = (change: Partial<Schemas['BuyLine']>): Schemas['BuyLine'] => ({
  articleId: 1,
  code: 'HE2',
  name: 'Heather',
  colour: '#8F6B9B',
  unit: 'METRE',
  onHand: 4 * M,
  owed: 6 * M,
  onOrder: 0,
  weekly: 0,
  weeks: 0,
  offers: [
    {
      supplierId: 3,
      supplier: 'Grey Gull Cordage',
      leadDays: 6,
      expected: 0,
      reserve: 0,
      needed: 2 * M,
      picks: [{ putUp: 9, quantity: 25 * M, price: 4.6, code: 'HE2-25m', count: 1 }],
      quantity: 25 * M,
      price: 4.6,
    },
  ],
  levels: [
    { day: '2031-03-03', quantity: 4 * M },
    { day: '2031-03-10', quantity: -2 * M },
  ],
  runsOut: '2031-03-12',
  ...change,
});

const FILTER = { level: 'NINETEEN_IN_TWENTY', review: 7 } as const;

function buy(lines: Schemas['BuyLine'][], more: Partial<Schemas['BuyPage']> = {}) {
  const lacking = lines.filter((l) => (l.offers[0]?.needed ?? 0) > 0).length;
  const page = { rows: lines, lacking, enough: lines.length - lacking, ...more };
  return show(<BuyPage />, [
    ...HOUSE,
    [buyQuery(FILTER).queryKey, { pages: [page], pageParams: [undefined] }],
    [suppliersQuery.queryKey, []],
    [purchasesQuery.queryKey, []],
  ]);
}

it('says what is missing, from whom it comes and when it runs out', () => {
  buy([buyLine({})]);
  expect(screen.getByRole('region', { name: 'Grey Gull Cordage' })).toBeTruthy();
  expect(screen.getByText('2.00 m missing')).toBeTruthy();
  expect(screen.getByText(/Not enough from Wed, Mar 12, 2031/)).toBeTruthy();
  expect(screen.getByRole('img', { name: /Mon, Mar 10, 2031: -2.00 m/ })).toBeTruthy();
});

it('says how many more there are to buy', () => {
  buy([buyLine({})], { lacking: 73, enough: 4, next: '0~2031-03-12~HE2' });
  expect(screen.getByText('1 of 73 articles that should be bought')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Show more' })).toBeTruthy();
  expect(screen.queryByText('Enough of 4 articles')).toBeNull();
});

it('notes no purchase of nothing', () => {
  buy([buyLine({})]);
  fireEvent.change(screen.getByLabelText(/How many of Heather/), { target: { value: '0' } });
  expect(screen.getByRole('button', { name: /Note purchase/ })).toHaveProperty('disabled', true);
});

it('sends you to say who sells what nobody is known to sell', () => {
  const offer = { ...(buyLine({}).offers[0] as Schemas['BuyOffer']), supplierId: undefined, picks: [] };
  buy([buyLine({ offers: [offer] })]);
  expect(screen.getByRole('link', { name: 'Say who sells it' }).getAttribute('href')).toBe(
    '/stock/articles/HE2',
  );
});

it('says so when there is enough of everything', () => {
  const offer = { ...(buyLine({}).offers[0] as Schemas['BuyOffer']), needed: 0, picks: [] };
  buy([buyLine({ offers: [offer], runsOut: undefined })]);
  expect(screen.getByText(/There is enough of everything/)).toBeTruthy();
  expect(screen.getByText('Enough of one article')).toBeTruthy();
});

const countLine = (change: Partial<Schemas['CountLine']>): Schemas['CountLine'] => ({
  holdingId: 11,
  label: 'S011',
  kind: 'SPOOL',
  shelf: 'A1',
  lot: 'HE-04',
  code: 'HE2',
  name: 'Heather',
  colour: '#8F6B9B',
  unit: 'METRE',
  typed: '',
  reason: '',
  ...change,
});

function count(lines: Schemas['CountLine'][], there = false) {
  const sheet: Schemas['CountSheet'] = {
    stocktake: {
      id: 5,
      what: 'A1',
      blind: true,
      startedAt: '2031-03-01T10:00:00Z',
      startedBy: 'Bram',
      givenUp: false,
      lines: lines.length,
      counted: 0,
    },
    lines,
  };
  return show(
    <CountPage />,
    [...HOUSE, [countQuery(5).queryKey, sheet], [devicesQuery.queryKey, { there }]],
    { route: '/stock/count/:id', address: '/stock/count/5' },
  );
}

it('keeps secret what is expected until it is counted', () => {
  count([
    countLine({}),
    countLine({
      holdingId: 12,
      label: 'S012',
      expected: 10 * M,
      counted: 8 * M,
      difference: -2 * M,
      value: -0.4,
    }),
  ]);
  expect(screen.getByText('secret')).toBeTruthy();
  expect(screen.getByText(/2.00 m missing/)).toBeTruthy();
  expect(screen.getByLabelText('Reason for S012')).toBeTruthy();
  expect(screen.queryByLabelText('Reason for S011')).toBeNull();
});

it('weighs only cord of which a metre’s weight is known, and reads devices only where there are some', () => {
  count(
    [countLine({ densityUgM: 2_400_000, tareMg: 40_000 }), countLine({ holdingId: 12, label: 'S012' })],
    true,
  );
  expect(screen.getAllByLabelText(/^How S/)).toHaveLength(1);
  fireEvent.change(screen.getByLabelText('How S011 is counted'), { target: { value: 'WEIGHT' } });
  expect(screen.getByLabelText('Weight of the empty spool of S011')).toHaveProperty('value', '40 g');
  expect(screen.getByRole('button', { name: 'Read the scale' })).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Read the counter' })).toBeTruthy();
});

function card(change: Partial<Schemas['CardView']>) {
  const whole: Schemas['CardView'] = {
    article: article({}),
    putUps: [],
    lots: [],
    promised: [],
    fits: [],
    uses: [],
    ...change,
  };
  const { code } = whole.article;
  show(
    <ArticlePage />,
    [
      ...HOUSE,
      [cardQuery(code).queryKey, whole],
      [articlesQuery.queryKey, []],
      [suppliersQuery.queryKey, []],
      [devicesQuery.queryKey, { there: false }],
    ],
    { route: '/stock/articles/:code', address: `/stock/articles/${code}` },
  );
}

it('tells of a cord how many strands go through a part and lie on its bar', () => {
  const part = { colour: '#7A5C3E', onHand: 5, through: 0, tapered: 0, onBar: 0, bunched: 0 };
  card({
    fits: [
      { ...part, code: 'HB9', name: 'Harbour bead', kind: 'BEAD', through: 3, tapered: 4 },
      { ...part, code: 'BK16', name: 'Buckle', kind: 'BUCKLE', onBar: 8, bunched: 9 },
    ],
  });
  expect(screen.getByText(/3 strands through the hole, 4 with tapered ends/)).toBeTruthy();
  expect(screen.getByText(/8 strands on the bar, 9 bunched/)).toBeTruthy();
  expect(screen.getByText('Nobody is known to sell it yet.')).toBeTruthy();
  expect(screen.getByText('Add a supplier first')).toBeTruthy();
});

const GLUE = article({
  id: 7,
  code: 'GL20',
  kind: 'CONSUMABLE',
  unit: 'MILLILITRE',
  name: 'Cord glue',
  onHand: 38_450,
});

it('counts a consumable in its unit and says what a piece takes', () => {
  card({ article: GLUE, uses: [{ article: 7, occasion: 'END_GLUED', quantity: 50 }] });
  expect(screen.getByText('38.45 ml')).toBeTruthy();
  expect(screen.getByText(/a millilitre/)).toBeTruthy();
  const uses = screen.getByRole('region', { name: 'What a piece takes' });
  expect(within(uses).getByRole('row', { name: 'Each glued end 0.05 ml' })).toBeTruthy();
  expect(screen.queryByText('Cords it takes')).toBeNull();
});

const holding = (change: Partial<Schemas['HoldingView']>): Schemas['HoldingView'] => ({
  id: 11,
  label: 'S011',
  kind: 'SPOOL',
  articleId: 1,
  lotId: 1,
  lot: 'HE-04',
  receivedOn: '2031-03-01',
  shelf: 'A1',
  quantity: 4 * M,
  fullQuantity: 5 * M,
  plannedUm: 0,
  value: 0.8,
  flawsUm: [],
  joinsUm: [],
  ...change,
});

function wall(articles: Schemas['Article'][], holdings: Schemas['HoldingView'][]) {
  const page: Schemas['WallView'] = {
    articles,
    holdings,
    reserved: [],
    held: {},
    total: articles.length,
    longestUm: 5 * M,
  };
  show(<StockPage />, [
    ...HOUSE,
    [wallQuery({ each: 6 }).queryKey, { pages: [page], pageParams: [0] }],
    [articlesQuery.queryKey, articles],
  ]);
}

it('offers the first article where there is none', () => {
  wall([], []);
  expect(screen.getAllByRole('button', { name: 'New article' })).toHaveLength(2);
});

it('says which spools are sealed, and shows flaws and joins as what they are', () => {
  wall(
    [article({}), GLUE],
    [
      holding({ openedAt: '2031-03-02T08:00:00Z', flawsUm: [M], joinsUm: [2 * M] }),
      holding({ id: 12, label: 'H012', kind: 'HANK' }),
      holding({ id: 13, label: 'B013', kind: 'BOX', articleId: 7, quantity: 18_450 }),
    ],
  );
  expect(screen.getAllByText(/sealed/)).toHaveLength(1);
  expect(within(screen.getByRole('button', { name: /Hank H012/ })).getByText(/sealed/)).toBeTruthy();
  const marked = screen.getByRole('button', { name: /Spool S011/ });
  expect(within(marked).getAllByTitle('flaw')).toHaveLength(1);
  expect(within(marked).getAllByTitle('join')).toHaveLength(1);
  expect(screen.getByRole('button', { name: /Box B013/ }).textContent).toContain('18.45 ml');
});
