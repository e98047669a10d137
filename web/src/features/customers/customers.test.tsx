import { fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
import CustomerPage from './CustomerPage';
import CustomersPage from './CustomersPage';

const customer = (change: Partial<Schemas['CustomerView']> = {}): Schemas['CustomerView'] => ({
  id: 7,
  name: 'Ferry house',
  address: 'Lower Lock 3',
  email: 'desk@ferry.example',
  language: 'en',
  wristUm: 165_000,
  measuredOn: '2026-11-03',
  otherNames: [{ id: 9, name: 'Fery house' }],
  orders: 2,
  nameless: false,
  version: 4,
  ...change,
});

const rows = (...names: string[]) => ({
  rows: names.map((name, i) => ({ id: i + 1, name, email: '', orders: i, newest: '2026-11-03' })),
});

const order = {
  id: 3,
  reference: 'F-0003',
  customer: 'Fery house',
  source: 'FORM',
  pieces: 2,
  planned: 0,
  cut: 0,
  made: 0,
  dispatched: 0,
  state: 'ACCEPTED',
  verdict: 'GOOD',
  lineIds: [1],
};

const routes = (role: 'OWNER' | 'MAKER', more: Record<string, unknown> = {}) => ({
  'GET /api/session': { name: 'Tove', role, zone: 'Europe/London' },
  'GET /api/customers/7': customer(),
  'GET /api/customers': rows('Ferry house', 'Ferry House Ltd'),
  'GET /api/orders': { rows: [order], total: 1 },
  'GET /api/measures/length': { um: 165_000 },
  ...more,
});

const page = () => show(<CustomerPage />, [], { route: '/customers/:id', address: '/customers/7' });

it('shows what is known, and each order under the name it was given', async () => {
  serving(routes('MAKER'));
  page();
  expect(await screen.findByRole('heading', { name: 'Ferry house' })).toBeTruthy();
  expect(screen.getByText('desk@ferry.example')).toBeTruthy();
  expect(screen.getByText('16.5 cm')).toBeTruthy();
  expect(await screen.findByRole('link', { name: 'F-0003' })).toBeTruthy();
  expect(screen.getAllByText('Fery house')).toHaveLength(2);
  expect(screen.queryByRole('button', { name: 'Make nameless' })).toBeNull();
});

it('keeps what was typed when it is refused, and says what to do', async () => {
  const asked = serving(routes('MAKER', { 'PUT /api/customers/7': new Reply(422, refused('email')) }));
  page();
  fireEvent.click(await screen.findByRole('button', { name: 'Change' }));
  fireEvent.change(screen.getByLabelText('E-mail'), { target: { value: 'nowhere' } });
  fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
  expect(await screen.findByText('Bad email. Write it anew.')).toBeTruthy();
  expect(screen.getByLabelText<HTMLInputElement>('E-mail').value).toBe('nowhere');
  expect(asked.find((a) => a.method === 'PUT')?.body).toMatchObject({
    email: 'nowhere',
    version: 4,
    wrist: '16.5 cm',
  });
});

it('merges with another one that is chosen, never with itself', async () => {
  const asked = serving(routes('OWNER', { 'POST /api/customers/7/merge': new Reply(200, '') }));
  page();
  fireEvent.click(await screen.findByRole('button', { name: 'Merge' }));
  expect(screen.getByRole('button', { name: 'They are one' }).hasAttribute('disabled')).toBe(true);
  fireEvent.click(screen.getByRole('combobox', { name: 'Is the same as' }));
  fireEvent.click(await screen.findByRole('option', { name: 'Ferry House Ltd', hidden: true }));
  fireEvent.click(screen.getByRole('button', { name: 'They are one' }));
  await waitFor(() => expect(asked.find((a) => a.path.endsWith('/merge'))?.body).toEqual({ into: 2 }));
});

it('orders the same again for a customer', async () => {
  const asked = serving(routes('MAKER', { 'POST /api/orders/3/again': { id: 8 } }));
  page();
  fireEvent.click(await screen.findByRole('button', { name: 'The same again: F-0003' }));
  await waitFor(() => expect(asked.some((a) => a.path === '/api/orders/3/again')).toBe(true));
});

it('forgets only after it said what that means', async () => {
  const asked = serving(routes('OWNER', { 'POST /api/customers/7/forget': new Reply(200, '') }));
  page();
  fireEvent.click(await screen.findByRole('button', { name: 'Make nameless' }));
  expect(screen.getByText(/cannot be taken back/)).toBeTruthy();
  expect(asked.some((a) => a.method === 'POST')).toBe(false);
  fireEvent.click(screen.getByRole('button', { name: 'Forget who it was' }));
  await waitFor(() => expect(asked.some((a) => a.path.endsWith('/forget'))).toBe(true));
});

it('lists, searches and adds', async () => {
  const asked = serving(routes('OWNER', { 'POST /api/customers': new Reply(200, { id: 7 }) }));
  show(<CustomersPage />);
  expect(await screen.findByRole('link', { name: 'Ferry House Ltd' })).toBeTruthy();
  fireEvent.change(screen.getByLabelText('Search'), { target: { value: 'ferry' } });
  await waitFor(() => expect(asked.some((a) => a.path.includes('query=ferry'))).toBe(true));
  fireEvent.click(screen.getByRole('button', { name: 'Add a customer' }));
  fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'Lower Lock' } });
  fireEvent.click(screen.getByRole('button', { name: 'Keep' }));
  await waitFor(() =>
    expect(asked.find((a) => a.method === 'POST')?.body).toMatchObject({ name: 'Lower Lock', version: 0 }),
  );
});
