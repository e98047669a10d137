import { act, screen } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { sessionQuery, useSession } from '../shared/session';
import { serving } from '../test/server';
import { show } from '../test/show';
import { ErrorBoundary } from './ErrorBoundary';
import { NewerVersion } from './NewerVersion';

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
