import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
import { ByHand } from './ByHand';

const line = (id: number, change: Partial<Schemas['OpenLineView']> = {}): Schemas['OpenLineView'] => ({
  line: id,
  order: id,
  reference: `F-${id}`,
  customer: 'Ilka',
  open: 3,
  wristUm: 165_000,
  verdict: 'GOOD',
  ...change,
});

const setUp = (key: string, lines: Schemas['OpenLineView'][], moreLines = 0): Schemas['SetUpView'] => ({
  key,
  patternName: `Pattern ${key}`,
  gaugeUm: 2000,
  colours: [{ code: 'NT2', name: 'Night Tide', colour: '#22365C' }],
  pieces: lines.reduce((n, l) => n + l.open, 0),
  cordUm: 4_000_000,
  lines,
  moreLines,
});

const batch = (id: number, change: Partial<Schemas['BatchView']> = {}): Schemas['BatchView'] => ({
  id,
  name: `Batch ${id}`,
  createdAt: '2026-11-01T08:00:00Z',
  createdBy: 'Tove',
  pieces: 4,
  cut: 0,
  ...change,
});

const FIRST = { open: [setUp('a', [line(1), line(2, { verdict: 'NO' })], 12)], next: '2026-12-01~a' };

const routes = (more: Record<string, unknown> = {}) => ({
  'GET /api/plan': (asked: { path: string }) =>
    asked.path.includes('after=') ? { open: [setUp('b', [line(7)])] } : FIRST,
  'GET /api/plan/anew': { rows: [] },
  'GET /api/plan/batches': { rows: [batch(4), batch(3, { cut: 4 })] },
  'POST /api/plan/batches': new Reply(201, { id: 9 }),
  ...more,
});

it('takes what is ticked into a batch, and never what cannot be made', async () => {
  const asked = serving(routes());
  show(<ByHand order="" />);
  fireEvent.click(await screen.findByLabelText('All that can be made (3 pieces)'));
  fireEvent.click(screen.getByRole('button', { name: 'Make a batch' }));
  await waitFor(() =>
    expect(asked.find((a) => a.method === 'POST')?.body).toEqual({ picks: [{ line: 1, count: 3 }] }),
  );
});

it('reads on where the page ended, and says how many lines of a set-up follow', async () => {
  serving(routes());
  show(<ByHand order="" />);
  expect(await screen.findByText(/12 more lines/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Show more' }));
  expect(await screen.findByText('Pattern b')).toBeTruthy();
});

it('asks for the set-ups of one order', async () => {
  const asked = serving(routes());
  show(<ByHand order="F-1" />);
  expect(await screen.findByText('Batch 4')).toBeTruthy();
  expect(asked.find((a) => a.path.startsWith('/api/plan?'))?.path).toContain('order=F-1');
});

it('keeps what was ticked when a batch is refused', async () => {
  serving(routes({ 'POST /api/plan/batches': new Reply(422, refused('picks')) }));
  show(<ByHand order="" />);
  fireEvent.click(await screen.findByLabelText('All that can be made (3 pieces)'));
  fireEvent.click(screen.getByRole('button', { name: 'Make a batch' }));
  expect(await screen.findByText(/Bad picks/)).toBeTruthy();
  expect(screen.getByText('3 pieces chosen')).toBeTruthy();
});

it('offers what a batch still lets be done', async () => {
  serving(routes());
  show(<ByHand order="" />);
  const made = (await screen.findByText('Batch 3')).closest('.panel') as HTMLElement;
  expect(within(made).queryByRole('button')).toBeNull();
  const open = screen.getByText('Batch 4').closest('.panel') as HTMLElement;
  expect(within(open).getAllByRole('button')).toHaveLength(2);
});
