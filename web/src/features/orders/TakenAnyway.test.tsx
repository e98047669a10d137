import { fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { sessionQuery } from '../../shared/session';
import { answering } from '../../test/server';
import { show } from '../../test/show';
import { TakenAnyway } from './TakenAnyway';

const line = (change: object) => ({ id: 8, planned: 0, ...change }) as Schemas['LineView'];
const as = (role: string): [readonly unknown[], unknown][] => [
  [sessionQuery.queryKey, { name: 'Tove', role }],
];

it('says nothing of a line that nothing refuses, or that nobody may take', () => {
  show(<TakenAnyway order={3} line={line({})} />, as('OWNER'));
  expect(screen.queryByRole('button')).toBeNull();
});

it('tells a maker whom to ask', () => {
  show(<TakenAnyway order={3} line={line({ acceptable: 'breakaway' })} />, as('MAKER'));
  expect(screen.getByText('Only the owner can take this all the same.')).toBeDefined();
  expect(screen.queryByRole('button')).toBeNull();
});

it('lets the owner take it with a reason, and not without', async () => {
  const asked = answering(204);
  show(<TakenAnyway order={3} line={line({ acceptable: 'breakaway' })} />, as('OWNER'));
  fireEvent.click(screen.getByRole('button', { name: 'Take it all the same' }));
  const take = screen.getByRole('button', { name: 'Take it all the same' }) as HTMLButtonElement;
  expect(take.disabled).toBe(true);
  fireEvent.change(screen.getByLabelText(/Why you take it/), { target: { value: 'For a dummy' } });
  expect(take.disabled).toBe(false);
  fireEvent.click(take);
  await waitFor(() => expect(asked).toHaveLength(1));
  expect(asked[0]).toMatchObject({
    method: 'PUT',
    path: '/api/orders/3/lines/8/accepted',
    body: { reason: 'For a dummy' },
  });
});

it('says who took it and why, and can be taken back until pieces are planned', () => {
  const accepted = { check: 'breakaway', reason: 'For a dummy', who: 'Tove', at: '2031-03-01T10:00:00Z' };
  const { rerender } = show(<TakenAnyway order={3} line={line({ accepted })} />, as('OWNER'));
  expect(screen.getByText(/Tove takes it all the same .*: For a dummy/)).toBeDefined();
  expect(screen.getByRole('button', { name: 'Not any more' })).toBeDefined();
  rerender(<div />);
  show(<TakenAnyway order={3} line={line({ accepted, planned: 1 })} />, as('OWNER'));
  expect(screen.queryByRole('button')).toBeNull();
});
