import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import { serving } from '../../test/server';
import { show } from '../../test/show';
import LearnedPage from './LearnedPage';
import type { Estimate, Point } from './queries';
import ReportPage from './ReportPage';

const estimate = (row: Partial<Estimate>): Estimate => ({
  feature: 'stitch square-knot',
  kind: 'STITCH',
  what: 'square-knot',
  path: '',
  maker: '',
  material: '',
  factor: 1.062,
  low: 1.01,
  high: 1.12,
  pieces: 14,
  samples: 1,
  ...row,
});

const point = (row: Partial<Point>): Point => ({
  id: 5,
  subject: 'CORD',
  source: 'STRAND',
  day: '2026-11-28',
  order: 3,
  reference: 'F-3',
  maker: 'Bram',
  value: 1520,
  expected: 1480,
  low: 1340,
  high: 1640,
  bound: 'EXACT',
  outcome: 'LEARNED',
  standing: 'STANDS',
  confirmed: false,
  features: [],
  ...row,
});

const routes = (doubted: Point[], more: Record<string, unknown> = {}) => ({
  'GET /api/session': { currency: 'EUR', role: 'MAKER' },
  'GET /api/measures/materials': [{ code: 'cotton', name: 'Cotton' }],
  'GET /api/learning/standing': { waits: false, learned: 15 },
  'GET /api/learning/estimates': {
    rows: [
      estimate({}),
      estimate({ feature: 'path square-knot FALL', kind: 'PATH', path: 'FALL', factor: 0.987, samples: 0 }),
      estimate({
        feature: 'way TIE snake-knot Bram',
        kind: 'WAY',
        what: 'TIE snake-knot',
        maker: 'Bram',
        changed: { since: '2026-11-12', factor: 1.08 },
      }),
      estimate({ feature: 'material cotton', kind: 'MATERIAL', what: '', material: 'cotton' }),
    ],
  },
  'GET /api/learning/history': [
    { number: 1, day: '2026-11-20', factor: 1.01, low: 0.9, high: 1.2, seen: 1.04, outcome: 'LEARNED' },
    { number: 2, day: '2026-11-28', factor: 1.06, low: 1.0, high: 1.12, seen: 1.09, outcome: 'LEARNED' },
  ],
  'GET /api/learning/points': (asked: { path: string }) => ({
    rows: asked.path.includes('feature=&') || asked.path.endsWith('feature=') ? doubted : [point({})],
  }),
  ...more,
});

it('shows what is believed, how sure that is, and what it rests on', async () => {
  const asked = serving(routes([]));
  show(<LearnedPage />);
  expect((await screen.findAllByText('Square knots')).length).toBeGreaterThan(0);
  expect(screen.getByText('Rests on 15 measurements.')).toBeTruthy();
  expect(screen.getAllByText('+6.2 %').length).toBeGreaterThan(0);
  expect(screen.getAllByText('± 5.2').length).toBeGreaterThan(0);
  expect(screen.getAllByText('14 + 1').length).toBeGreaterThan(0);
  expect(screen.getByText('Square knots, fall')).toBeTruthy();
  expect(screen.getByText('−1.3 %')).toBeTruthy();
  expect(screen.getByText('Cotton')).toBeTruthy();
  expect(
    await screen.findByRole('img', { name: /Square knots: what was believed over 2 measurements/ }),
  ).toBeTruthy();
  const row = (await screen.findByText('1520 mm')).closest('tr');
  expect(within(row as HTMLElement).getByText('+2.7 %')).toBeTruthy();
  fireEvent.click(screen.getByText('Bram: Tying Snake knots'));
  expect(await screen.findByText(/Bram: Tying Snake knots: \+8.0 % since/)).toBeTruthy();
  expect(asked.some((a) => a.path.includes('feature=way%20TIE%20snake-knot%20Bram'))).toBe(true);
});

it('asks about figures that are too strange, and sends what is said', async () => {
  const strange = point({ id: 9, value: 152, outcome: 'DOUBTED' });
  const asked = serving(routes([strange], { 'POST /api/learning/points/9/confirm': undefined }));
  show(<LearnedPage />);
  expect(await screen.findByText('One figure is too strange to be learned from')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'It is right' }));
  await waitFor(() => expect(asked.some((a) => a.path === '/api/learning/points/9/confirm')).toBe(true));
});

it('says what to do while nothing is learned', async () => {
  serving(routes([], { 'GET /api/learning/estimates': { rows: [] } }));
  show(<LearnedPage />);
  expect(await screen.findByText(/Nothing is learned yet/)).toBeTruthy();
  expect(screen.getByRole('link', { name: 'To the bench' }).getAttribute('href')).toBe('/bench');
});

const REPORT = {
  saved: { strands: 40, savedUm: 6_200_000, saved: 0.52 },
  ranShort: { pieces: 100, ranShort: 9, low: 4.8, high: 16.2, promised: 2, planned: 100 },
  minutes: [{ work: 'TIE snake-knot', times: 4, expectedS: 2400, actualS: 2640 }],
  calibration: [
    { subject: 'CORD', stated: 50, measured: 200, within: 104 },
    { subject: 'CORD', stated: 95, measured: 200, within: 188 },
  ],
};

it('holds what was promised against what came', async () => {
  serving({ 'GET /api/session': { currency: 'EUR' }, 'GET /api/learning/report': REPORT });
  show(<ReportPage />);
  expect(await screen.findByText('€0.52')).toBeTruthy();
  expect(screen.getByText(/6.20 m less than by geometry alone/)).toBeTruthy();
  expect(screen.getByText('9.0 / 100')).toBeTruthy();
  expect(screen.getByText(/between 4.8 and 16.2 of a hundred/)).toBeTruthy();
  expect(screen.getByText(/more than was promised/)).toBeTruthy();
  expect(screen.getByText('Tying Snake knots')).toBeTruthy();
  expect(screen.getByText('+10.0 %')).toBeTruthy();
  expect(screen.getByText('94 % of 200')).toBeTruthy();
});
