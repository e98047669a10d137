import { fireEvent, screen, waitFor } from '@testing-library/react';
import { Route, Routes } from 'react-router';
import { expect, it } from 'vitest';
import { Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
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
    'GET /api/shelf': { worth: { pieces: 3, value: 3.75 }, rows: [PIECE] },
  });
  show(<ShelfPage />);
  expect(await screen.findByText(/3 pieces, which cost/)).toBeTruthy();
  expect(screen.getByRole('link', { name: 'Sell' }).getAttribute('href')).toBe('/finished/pieces/31');
});

it('says what the shelf is for where nothing lies there', async () => {
  serving({ 'GET /api/shelf': { worth: { pieces: 0, value: 0 }, rows: [] } });
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
  expect(await screen.findByDisplayValue('6.5')).toBeTruthy();
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
    'GET /api/shelf/pieces/NaN': { ...PIECE, there: false, stage: 'MADE' },
    'POST /api/shelf/pieces/31/keep': {},
  });
  tag();
  fireEvent.click(await screen.findByRole('button', { name: /stays: to the shelf/ }));
  await waitFor(() => expect(asked.some((a) => a.method === 'POST')).toBe(true));
});
