import { fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
import ImportPage from './ImportPage';

const row = (number: number, change: Partial<Schemas['RowView']> = {}): Schemas['RowView'] => ({
  number,
  state: 'NEW',
  reference: `S-${number}`,
  line: 1,
  customer: 'Ilka',
  quantity: 2,
  patternName: 'Snake-knot band',
  size: '16 cm',
  colours: 'NT2, OA2',
  differences: [],
  cells: {},
  problems: [],
  ...change,
});

const view = (
  rows: Schemas['RowView'][],
  change: Partial<Schemas['FileView']> = {},
): Schemas['FileView'] => ({
  form: { encoding: 'UTF-8', kind: 'CSV', separator: ',', decimalComma: true },
  fileColumns: ['reference', 'customer'],
  columns: [
    { field: 'reference', column: 'reference', needed: true },
    { field: 'customer', column: 'customer', needed: true },
  ],
  rows,
  all: rows.length,
  fresh: rows.filter((r) => r.state === 'NEW').length,
  known: 0,
  different: 0,
  bad: rows.filter((r) => r.state === 'BAD').length,
  accepted: 0,
  pieces: 2 * rows.length,
  ...change,
});

const job = (state: Schemas['JobView']['state'], more: Partial<Schemas['JobView']> = {}) => ({
  id: 5,
  state,
  done: 0,
  whole: 0,
  ...more,
});

async function drop(preview: Schemas['FileView'], jobs: unknown[], more: Record<string, unknown> = {}) {
  const asked = serving({
    'GET /api/orders/sample.csv': {},
    'POST /api/orders/import/preview': preview,
    'POST /api/orders/import': new Reply(202, { id: 5 }),
    'GET /api/jobs/5': () => (jobs.length > 1 ? jobs.shift() : jobs[0]),
    'POST /api/jobs/5/stop': () => new Reply(204),
    ...more,
  });
  show(<ImportPage />);
  fireEvent.click(screen.getByRole('button', { name: 'Use the sample file' }));
  await screen.findByText(/S-1/);
  return asked;
}

const take = () => fireEvent.click(screen.getByRole('button', { name: /^Import/ }));

it('takes a file as long work, says how far it is, and then what came of it', async () => {
  const rows = [row(1), row(2)];
  const asked = await drop(view(rows), [
    job('WAITING'),
    job('RUNNING', { done: 1, whole: 2 }),
    job('RUNNING', { done: 1, whole: 2 }),
    job('DONE', { done: 2, whole: 2, result: view(rows) as never }),
  ]);
  take();
  expect(await screen.findByText('1 of 2 orders')).toBeTruthy();
  expect(await screen.findByText('2 rows imported, 4 pieces to plan', {}, { timeout: 4000 })).toBeTruthy();
  expect(asked.filter((a) => a.path.startsWith('/api/orders/import?'))).toHaveLength(1);
});

it('says that nothing was kept of an import that was stopped', async () => {
  const jobs = [job('RUNNING', { done: 1, whole: 2 })];
  const asked = await drop(view([row(1)]), jobs, {
    'POST /api/jobs/5/stop': () => {
      jobs[0] = job('STOPPED');
      return new Reply(204);
    },
  });
  take();
  fireEvent.click(await screen.findByRole('button', { name: 'Cancel' }));
  expect(await screen.findByText(/Nothing of the file was kept/, {}, { timeout: 4000 })).toBeTruthy();
  expect(asked.some((a) => a.path === '/api/jobs/5/stop')).toBe(true);
});

it('tells why an import failed as if it had been done at once, and keeps what was chosen', async () => {
  await drop(view([row(1)]), [job('FAILED', { problem: refused('file') as never })]);
  take();
  expect(await screen.findByText(/Bad file/)).toBeTruthy();
  expect(screen.getByText(/S-1/)).toBeTruthy();
});

it('names what is bad about a row where it stands', async () => {
  await drop(
    view([
      row(1),
      row(2, {
        state: 'BAD',
        problems: [
          { field: 'reference', code: 'file.settled', message: 'S-2 is settled.', remedy: 'Leave it out.' },
        ],
      }),
    ]),
    [job('WAITING')],
  );
  await waitFor(() => expect(screen.getByText(/S-2 is settled/)).toBeTruthy());
});
