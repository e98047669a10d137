import { act, screen } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { sessionQuery, useSession } from '../shared/session';
import { Reply, serving } from '../test/server';
import { show } from '../test/show';
import { ErrorBoundary } from './ErrorBoundary';
import { Frame } from './Frame';
import { NewerVersion } from './NewerVersion';
import { useUnits } from './units';

function Broken(): never {
  throw new Error('bug');
}

it('says that a view broke instead of leaving a white window', () => {
  vi.spyOn(console, 'error').mockImplementation(() => {});
  show(
    <>
      <p>the rail</p>
      <ErrorBoundary inside>
        <Broken />
      </ErrorBoundary>
    </>,
  );
  expect(screen.getByRole('alert').textContent).toContain('Nothing that was stored is lost');
  expect(screen.getByRole('button', { name: 'Load again' })).toBeTruthy();
  expect(screen.getByText('the rail')).toBeTruthy();
});

function Look() {
  const { refetch } = useSession();
  return (
    <button type="button" onClick={() => refetch()}>
      look
    </button>
  );
}

it('tells when another version answers, and not before', async () => {
  let version = 'a';
  serving({ 'GET /api/session': () => ({ version }) });
  show(
    <>
      <NewerVersion />
      <Look />
    </>,
    [[sessionQuery.queryKey, { version: 'a' }]],
  );
  const look = screen.getByRole('button', { name: 'look' });
  await act(async () => look.click());
  expect(screen.queryByRole('status')).toBeNull();
  version = 'b';
  await act(async () => look.click());
  expect((await screen.findByRole('status')).textContent).toContain('Another version of Restis');
});

it('shows lengths in the units of whoever is signed in, and keeps another choice with them', async () => {
  const habits = { hand: 'LEFT', language: '', units: 'IMPERIAL' } as const;
  const session = {
    version: 'a',
    needsOwner: false,
    demo: false,
    workshop: 'W',
    currency: 'EUR',
    zone: 'UTC',
  };
  const asked = serving({
    'GET /api/session': { ...session, name: 'Tove', role: 'OWNER', habits },
    'GET /api/plan/waiting': {},
    'PUT /api/session/habits': new Reply(204),
  });
  show(
    <Frame session={{ ...session, name: 'Tove', role: 'OWNER', habits }}>
      <Lengths />
    </Frame>,
  );
  expect(screen.getByText('IMPERIAL')).toBeTruthy();
  await act(async () => screen.getByLabelText('cm').click());
  expect(asked.find((a) => a.method === 'PUT')?.body).toEqual({ ...habits, units: 'METRIC' });
});

function Lengths() {
  return <p>{useUnits().units}</p>;
}
