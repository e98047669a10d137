import { fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
import { FromShelf } from './FromShelf';

const offer = (piece: number, longerUm: number, same = false): Schemas['ShelfOffer'] => ({
  line: 7,
  number: 1,
  piece,
  patternName: 'Snake-knot band',
  longerUm,
  same,
});

it('says how each piece differs from what is wanted', async () => {
  serving({
    'GET /api/shelf/offers/4': { rows: [offer(1, 0, true), offer(2, 0), offer(3, 7500), offer(4, -2000)] },
  });
  show(<FromShelf order={4} />);
  const words = (await screen.findAllByText(/for line 1/)).map((row) => row.textContent);
  expect(words[0]).toContain('the very same');
  expect(words[1]).toContain('as long as wanted');
  expect(words[2]).toContain('7.5 mm longer than wanted');
  expect(words[3]).toContain('2 mm shorter than wanted');
});

it('shows nothing where nothing suits', async () => {
  const asked = serving({ 'GET /api/shelf/offers/4': { rows: [] } });
  show(<FromShelf order={4} />);
  await waitFor(() => expect(asked).toHaveLength(1));
  expect(screen.queryByText('On the shelf for this order')).toBeNull();
});

it('takes a piece only when somebody says so, and tells when another was quicker', async () => {
  const asked = serving({
    'GET /api/shelf/offers/4': { rows: [offer(31, 0, true)] },
    'POST /api/shelf/pieces/31/give': new Reply(409, {
      ...refused(),
      title: 'This piece does not lie on the shelf',
    }),
  });
  show(<FromShelf order={4} />);
  const take = await screen.findByRole('button', { name: 'Take it from the shelf' });
  expect(asked.some((a) => a.method === 'POST')).toBe(false);
  fireEvent.click(take);
  expect(await screen.findByText('This piece does not lie on the shelf')).toBeTruthy();
  expect(asked.find((a) => a.method === 'POST')?.body).toEqual({ order: 4, line: 7 });
});
