import { fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
import { SignInPage } from './SignInPage';

const SESSION: Schemas['SessionView'] = {
  version: 'a',
  needsOwner: false,
  demo: false,
  workshop: 'Ullin Bench',
  currency: 'EUR',
  zone: 'Europe/Copenhagen',
};

const fill = (label: string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });

it('signs in with what is typed', async () => {
  const asked = serving({ 'POST /api/sign-in': { ...SESSION, name: 'Bram', role: 'MAKER' } });
  show(<SignInPage session={SESSION} />);
  fill('Your name', 'bram');
  fill('Password', 'harbour-lantern');
  fireEvent.click(screen.getByRole('button', { name: /sign in/i }));
  await waitFor(() => expect(asked[0]?.body).toEqual({ name: 'bram', password: 'harbour-lantern' }));
});

it('says that a password is wrong and keeps the name', async () => {
  serving({
    'POST /api/sign-in': new Reply(401, {
      title: 'Name or password is not right',
      detail: 'Try again.',
      status: 401,
      code: 'signIn.wrong',
    }),
  });
  show(<SignInPage session={SESSION} />);
  fill('Your name', 'bram');
  fill('Password', 'guess');
  fireEvent.click(screen.getByRole('button', { name: /sign in/i }));
  expect(await screen.findByText('Name or password is not right')).toBeTruthy();
  expect((screen.getByLabelText('Your name') as HTMLInputElement).value).toBe('bram');
});

it('tells whoever guessed too often how long to wait', async () => {
  serving({ 'POST /api/sign-in': new Reply(422, refused('name')) });
  show(<SignInPage session={SESSION} />);
  fill('Your name', 'bram');
  fireEvent.click(screen.getByRole('button', { name: /sign in/i }));
  expect(await screen.findByText(/Bad name/)).toBeTruthy();
});

it('makes the first owner on the first visit, and names what is missing', async () => {
  const asked = serving({ 'POST /api/setup': new Reply(422, refused('workshop', 'password')) });
  show(<SignInPage session={{ ...SESSION, needsOwner: true, workshop: '' }} />);
  fill('Your name', 'Tove');
  fill('Password', 'short');
  fireEvent.submit(screen.getByLabelText('Your name').closest('form') as HTMLElement);
  expect(await screen.findByText(/Bad workshop/)).toBeTruthy();
  expect(screen.getByText(/Bad password/)).toBeTruthy();
  expect(asked[0]?.body).toEqual({
    workshop: '',
    name: 'Tove',
    password: 'short',
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  });
});
