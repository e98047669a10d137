import { screen, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { Reply, serving } from '../../test/server';
import { show } from '../../test/show';
import LotPage from './LotPage';

const LOT = { id: 9, lot: 'RO-07', article: 'RO2', name: 'Rowan', receivedOn: '2026-11-20' };

const piece = (id: number, more: Partial<Schemas['RecallPiece']> = {}): Schemas['RecallPiece'] => ({
  piece: id,
  stage: 'SENT',
  order: 4,
  reference: 'F-0004',
  line: 1,
  number: 2,
  customer: 'Ferry crew',
  email: 'crew@quay.example',
  address: '',
  quantity: 900_000,
  sentOn: '2026-11-27',
  ...more,
});

const routes = (role: string, rows: Schemas['RecallPiece'][]) => ({
  'GET /api/session': { role, name: 'Tove' },
  'GET /api/stock/lots/NaN/pieces': { lot: LOT, rows },
});

it('names everybody who has something of the lot, and when it was sent', async () => {
  serving(routes('OWNER', [piece(31), piece(32, { stage: 'MAKING', sentOn: undefined, customer: '' })]));
  show(<LotPage />);
  expect(await screen.findByRole('heading', { name: 'Lot RO-07 of RO2' })).toBeTruthy();
  const [, sent, inWork] = screen.getAllByRole('row');
  expect(within(sent as HTMLElement).getByText(/Ferry crew · crew@quay.example/)).toBeTruthy();
  expect(within(inWork as HTMLElement).getByText('–')).toBeTruthy();
  expect((await screen.findByRole('link', { name: 'Export CSV' })).getAttribute('href')).toContain(
    'pieces.csv',
  );
});

it('lets only the owner take all addresses along', async () => {
  serving(routes('MAKER', [piece(31)]));
  show(<LotPage />);
  await screen.findByText(/Ferry crew/);
  expect(screen.queryByRole('link', { name: 'Export CSV' })).toBeNull();
});

it('says so where nothing of it is in any piece, and where there is no such lot', async () => {
  serving(routes('OWNER', []));
  const { unmount } = show(<LotPage />);
  expect(await screen.findByText('Nothing of this lot is in any piece.')).toBeTruthy();
  unmount();
  serving({
    'GET /api/session': { role: 'OWNER' },
    'GET /api/stock/lots/NaN/pieces': new Reply(404, { title: 'There is no such thing', status: 404 }),
  });
  show(<LotPage />);
  expect(await screen.findByText('There is no such thing')).toBeTruthy();
});
