import { fireEvent, screen, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import { Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
import TalesPage from './TalesPage';

const row = {
  key: 'snake',
  name: 'Snake-knot band',
  made: 14,
  redone: 1,
  mended: 1,
  givenUp: 0,
  reasons: [
    {
      kind: 'MEND',
      mishap: 'CORD_DAMAGED',
      reason: 'nicked',
      order: 3,
      reference: 'F-0003',
      at: '2031-03-02T10:00:00Z',
    },
    { kind: 'REDO', mishap: '', reason: '', order: 4, reference: 'F-0004', at: '2031-03-01T10:00:00Z' },
  ],
};

it('counts what went wrong by pattern, and says what it was', async () => {
  serving({ 'GET /api/bench/tales': { rows: [row] } });
  show(<TalesPage />);
  const cells = await screen.findAllByRole('cell');
  expect(cells.slice(0, 5).map((c) => c.textContent)).toEqual(['Snake-knot band', '14', '1', '1', '0']);
  const why = within(cells[5] as HTMLElement);
  expect(why.getByText(/^Mended: The cord is damaged, nicked/)).toBeTruthy();
  expect(why.getByText(/^Worked on again: no reason said/)).toBeTruthy();
  expect(why.getByRole('link', { name: 'F-0003' }).getAttribute('href')).toBe('/orders/3');
});

it('counts by maker and looks back as far as is wanted', async () => {
  const asked = serving({ 'GET /api/bench/tales': { rows: [] } });
  show(<TalesPage />);
  expect(await screen.findByText('Nothing was made in this time.')).toBeTruthy();
  fireEvent.click(screen.getByLabelText('Maker'));
  fireEvent.change(screen.getByLabelText('Looked back on'), { target: { value: '30' } });
  await screen.findByText('Nothing was made in this time.');
  expect(asked.map((a) => a.path)).toContain('/api/bench/tales?by=MAKER&days=30');
});

it('says when it cannot be read', async () => {
  serving({ 'GET /api/bench/tales': new Reply(422, refused('days')) });
  show(<TalesPage />);
  expect(await screen.findByRole('alert')).toBeTruthy();
});
