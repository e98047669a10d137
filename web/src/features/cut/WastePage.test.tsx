import { fireEvent, screen, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { sessionQuery } from '../../shared/session';
import { show } from '../../test/show';
import WastePage, { wasteQuery } from './WastePage';

const ROW: Schemas['WasteRow'] = {
  label: 'LI2',
  name: 'Lichen',
  colour: '#8A9A5B',
  usedUm: 12_000_000,
  tailsUm: 3_000_000,
  scrapUm: 150_000,
  scrapPercent: 0.99,
  scrapValue: 0.03,
  remnantsMade: 2,
  remnantsMadeUm: 1_100_000,
  remnantsUsed: 0,
  remnantsUsedUm: 0,
};

const open = (by: 'ARTICLE' | 'BATCH', rows: Schemas['WasteRow'][], address: string) =>
  show(
    <WastePage />,
    [
      [sessionQuery.queryKey, { currency: 'EUR' }],
      [wasteQuery(by).queryKey, rows],
    ],
    { route: '/cut/waste', address },
  );

it('tells article by article where the cord went', () => {
  open('ARTICLE', [ROW], '/cut/waste');
  const row = within(screen.getByText('Lichen (LI2)').closest('tr') as HTMLElement);
  expect(row.getAllByRole('cell').map((cell) => cell.textContent)).toEqual([
    'Lichen (LI2)',
    '12.00 m',
    '3.00 m',
    '0.15 m',
    '0.99 %',
    '€0.03',
    '2 · 1.10 m',
    '–',
  ]);
  expect(screen.queryByText('Over the bound')).toBeNull();
});

it('tells of lists how near they were to the best, and leads to them', () => {
  open(
    'BATCH',
    [
      { ...ROW, label: 'Batch 3', colour: '', list: 7, gapPercent: 0.02 },
      { ...ROW, label: 'Batch 2', colour: '', list: 6 },
    ],
    '/cut/waste?by=BATCH',
  );
  expect(screen.getByRole('link', { name: 'Batch 3' }).getAttribute('href')).toBe('/cut/7');
  expect(screen.getByText('0.02 %')).toBeTruthy();
  const csv = screen.getByRole('link', { name: 'Export CSV' });
  expect(csv.getAttribute('href')).toBe('/api/cut/waste.csv?by=BATCH');
  fireEvent.change(screen.getByLabelText('From'), { target: { value: '2026-11-01' } });
  expect(csv.getAttribute('href')).toBe('/api/cut/waste.csv?by=BATCH&from=2026-11-01');
});

it('says when nothing was cut', () => {
  open('ARTICLE', [], '/cut/waste');
  expect(screen.getByText('Nothing was cut in these days.')).toBeTruthy();
});
