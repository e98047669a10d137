import { fireEvent, screen, waitFor } from '@testing-library/react';
import { Route, Routes } from 'react-router';
import { expect, it } from 'vitest';
import { Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
import ShelfCountPage from './ShelfCountPage';
import ShelfPage from './ShelfPage';
import type { ShelfPiece } from './shelf';
import TagPage from './TagPage';

const PIECE: ShelfPiece = {
  piece: 31,
  order: 4,
  reference: 'F-0004',
  customer: 'Ullin Bench',
  line: 7,
  patternName: 'Snake-knot band',
  colours: ['Rowan'],
  stage: 'CHECKED',
  there: true,
  back: false,
  since: '2026-12-01T08:00:00Z',
  why: 'MADE',
  cost: 1.25,
  price: 6.5,
};

const session = { currency: 'EUR', role: 'OWNER' };

const tag = () =>
  show(
    <Routes>
      <Route path="*" element={<TagPage />} />
    </Routes>,
  );

it('lists what lies there with what all of it cost', async () => {
  serving({
    'GET /api/session': session,
    'GET /api/shelf': { worth: { pieces: 3, value: 3.75, seen: 0 }, rows: [PIECE] },
    'GET /api/shelf/sells-well': { rows: [] },
  });
  show(<ShelfPage />);
  expect(await screen.findByText(/3 pieces, which cost/)).toBeTruthy();
  expect(screen.getByRole('link', { name: 'Sell' }).getAttribute('href')).toBe('/finished/pieces/31');
});

it('says what the shelf is for where nothing lies there', async () => {
  serving({
    'GET /api/shelf': { worth: { pieces: 0, value: 0, seen: 0 }, rows: [] },
    'GET /api/shelf/sells-well': { rows: [] },
  });
  show(<ShelfPage />);
  expect(await screen.findByText(/Make one for the shelf/)).toBeTruthy();
});

it('sells a piece by its tag for what the rules say, unless another price is typed', async () => {
  const asked = serving({
    'GET /api/session': session,
    'GET /api/shelf/pieces/NaN': PIECE,
    'POST /api/shelf/pieces/31/sell': { id: 1 },
  });
  tag();
  expect(await screen.findByDisplayValue('6.50')).toBeTruthy();
  fireEvent.change(screen.getByLabelText('Sold for'), { target: { value: '7,00' } });
  fireEvent.click(screen.getByRole('button', { name: 'Sell' }));
  await waitFor(() =>
    expect(asked.find((a) => a.method === 'POST')?.body).toEqual({ price: '7,00', how: 'CASH', note: '' }),
  );
});

it('names a price that cannot be, and takes a sale back', async () => {
  serving({
    'GET /api/session': session,
    'GET /api/shelf/pieces/NaN': PIECE,
    'POST /api/shelf/pieces/31/sell': new Reply(422, refused('price')),
  });
  tag();
  fireEvent.click(await screen.findByRole('button', { name: 'Sell' }));
  expect(await screen.findByText(/Bad price/)).toBeTruthy();
});

it('offers to take a sale back, and to keep what came back', async () => {
  const asked = serving({
    'GET /api/session': session,
    'GET /api/shelf/pieces/NaN': {
      ...PIECE,
      there: false,
      stage: 'SENT',
      sale: { id: 1, soldOn: '2026-12-01', price: 7, how: 'CASH', note: '', who: 'Tove' },
    },
    'POST /api/shelf/pieces/31/take-back': {},
  });
  tag();
  fireEvent.click(await screen.findByRole('button', { name: 'It was not sold' }));
  await waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true));
});

it('offers to keep what came back', async () => {
  const asked = serving({
    'GET /api/session': session,
    'GET /api/shelf/pieces/NaN': { ...PIECE, there: false, back: true, stage: 'CHECKED' },
    'POST /api/shelf/pieces/31/keep': {},
  });
  tag();
  fireEvent.click(await screen.findByRole('button', { name: /stays: to the shelf/ }));
  await waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true));
});

it('suggests what sells, and makes as many as are typed', async () => {
  const row = { line: 7, patternName: 'Snake-knot band', colours: ['Rowan'], sold: 4, lying: 1, coming: 0 };
  const asked = serving({
    'GET /api/session': session,
    'GET /api/shelf': { worth: { pieces: 0, value: 0, seen: 0 }, rows: [] },
    'GET /api/shelf/sells-well': { rows: [row] },
    'POST /api/shelf/orders': { id: 12 },
  });
  show(<ShelfPage />);
  expect(await screen.findByText(/4 left in 90 days · 1 lies here/)).toBeTruthy();
  fireEvent.change(screen.getByLabelText('How many Snake-knot band to make'), { target: { value: '3' } });
  fireEvent.click(screen.getByRole('button', { name: 'Make Snake-knot band for the shelf' }));
  await waitFor(() => expect(asked.find((a) => a.method === 'POST')?.body).toEqual({ line: 7, count: 3 }));
});

it('counts by seeing each piece, and asks what became of one that is missing', async () => {
  const asked = serving({
    'GET /api/session': session,
    'GET /api/shelf': { worth: { pieces: 2, value: 3, seen: 1 }, rows: [PIECE] },
    'POST /api/shelf/pieces/31/seen': new Reply(204),
    'POST /api/shelf/pieces/31/missing': new Reply(422, refused('reason')),
  });
  show(<ShelfCountPage />);
  expect(await screen.findByText('1 of 2 were seen today.')).toBeTruthy();
  expect(asked.some((a) => a.path.includes('unseen=true'))).toBe(true);
  fireEvent.click(screen.getByRole('button', { name: 'It is here' }));
  await waitFor(() => expect(asked.find((a) => a.path.endsWith('/seen'))?.body).toEqual({ there: true }));
  fireEvent.click(screen.getByRole('button', { name: 'Missing' }));
  fireEvent.change(screen.getByLabelText('What may have become of it'), { target: { value: 'lent' } });
  fireEvent.click(screen.getByRole('button', { name: 'It is missing' }));
  expect(await screen.findByText(/Bad reason/)).toBeTruthy();
  expect(asked.find((a) => a.path.endsWith('/missing'))?.body).toEqual({ reason: 'lent' });
});

it('says that all was seen', async () => {
  serving({ 'GET /api/shelf': { worth: { pieces: 2, value: 3, seen: 2 }, rows: [] } });
  show(<ShelfCountPage />);
  expect(await screen.findByText(/All that should lie on the shelf was seen today/)).toBeTruthy();
});
