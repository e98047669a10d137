import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
import { WorkshopPage } from './WorkshopPage';

const RULES = {
  price: {
    labourPerHour: 14,
    marginPercent: 35,
    feePercent: 0,
    feePerPiece: 0,
    step: 0.5,
    taxPercent: 0,
    taxIncluded: true,
    breaks: [],
  },
  validDays: 14,
};

const people = (role = 'OWNER', more: Record<string, unknown> = {}) =>
  serving({
    'GET /api/session': { role, name: 'Tove', currency: 'EUR' },
    'GET /api/people': [
      { id: 1, name: 'Tove', role: 'OWNER', ended: false },
      { id: 2, name: 'Bram', role: 'MAKER', ended: false },
      { id: 3, name: 'Odo', role: 'MAKER', ended: true },
    ],
    'GET /api/open-minutes': { minutes: {} },
    'GET /api/orders/price-rules': RULES,
    'GET /api/shop-feeds': [],
    'PUT /api/people/2/role': () => new Reply(204),
    'POST /api/people/2/end': () => new Reply(204),
    'POST /api/people/3/back': () => new Reply(204),
    ...more,
  });

const row = async (name: string) => (await screen.findByText(name)).closest('tr') as HTMLElement;

it('lets an owner change a role, end access at once and give it back', async () => {
  const asked = people();
  show(<WorkshopPage />);
  const bram = await row('Bram');
  fireEvent.click(within(bram).getByLabelText('Owner'));
  await waitFor(() =>
    expect(asked.find((a) => a.path === '/api/people/2/role')?.body).toEqual({ role: 'OWNER' }),
  );
  fireEvent.click(within(bram).getByRole('button', { name: 'End access' }));
  fireEvent.click(within(await row('Odo')).getByRole('button', { name: 'Let in again' }));
  await waitFor(() =>
    expect(asked.map((a) => a.path)).toEqual(
      expect.arrayContaining(['/api/people/2/end', '/api/people/3/back']),
    ),
  );
});

it('tells that somebody must own the workshop', async () => {
  people('OWNER', {
    'POST /api/people/1/end': new Reply(409, {
      title: 'Somebody must own the workshop',
      detail: 'Make somebody else an owner first.',
      status: 409,
      code: 'people.lastOwner',
    }),
  });
  show(<WorkshopPage />);
  fireEvent.click(within(await row('Tove')).getByRole('button', { name: 'End access' }));
  expect(await screen.findByText('Somebody must own the workshop')).toBeTruthy();
});

it('lets a maker change their own password and nothing of others', async () => {
  const out = vi.fn();
  window.addEventListener('restis:signed-out', out);
  const asked = people('MAKER', { 'PUT /api/session/password': () => new Reply(204) });
  show(<WorkshopPage />);
  fireEvent.change(await screen.findByLabelText('The one you have'), { target: { value: 'old-password' } });
  fireEvent.change(screen.getByLabelText('The new one'), { target: { value: 'new-password' } });
  fireEvent.click(screen.getByRole('button', { name: 'Change it' }));
  await waitFor(() => expect(out).toHaveBeenCalled());
  expect(asked.find((a) => a.method === 'PUT')?.body).toEqual({
    before: 'old-password',
    password: 'new-password',
  });
  expect(screen.queryByText('Bram')).toBeNull();
});

it('says beside the field what is wrong with a password, and keeps what was typed', async () => {
  people('MAKER', { 'PUT /api/session/password': new Reply(422, refused('before')) });
  show(<WorkshopPage />);
  const before = (await screen.findByLabelText('The one you have')) as HTMLInputElement;
  fireEvent.change(before, { target: { value: 'old-password' } });
  fireEvent.click(screen.getByRole('button', { name: 'Change it' }));
  expect(await screen.findByText(/Bad before/)).toBeTruthy();
  expect(before.value).toBe('old-password');
});

it('keeps the hand that ties as it is chosen, and shows it again when it is refused', async () => {
  const habits = { hand: 'RIGHT', language: '', units: 'METRIC' };
  const asked = people('MAKER', {
    'GET /api/session': { role: 'MAKER', name: 'Bram', habits },
    'PUT /api/session/habits': new Reply(422, refused('hand')),
  });
  show(<WorkshopPage />);
  fireEvent.click(await screen.findByLabelText('Left'));
  await waitFor(() =>
    expect(asked.find((a) => a.method === 'PUT')?.body).toEqual({ ...habits, hand: 'LEFT' }),
  );
  expect(await screen.findByText(/Bad hand/)).toBeTruthy();
  await waitFor(() => expect(screen.getByLabelText<HTMLInputElement>('Right').checked).toBe(true));
});
