import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, it } from 'vitest';
import { sessionQuery } from '../../shared/session';
import { card } from '../../test/card';
import { Reply, serving } from '../../test/server';
import { show } from '../../test/show';
import CardPage from './CardPage';
import { cardQuery } from './queries';

const made = () => {
  const one = card();
  return card({ next: one.steps.length, piece: { ...one.piece, stage: 'MADE' } });
};

const look = (possible: boolean) => ({
  possible,
  step: card().steps[1],
  wasUm: 178_000,
  expectedUm: 168_000,
  seconds: 1500,
  strands: [
    { letter: 'A', role: 'left', slot: 0, fate: 'KEPT', thereUm: 900_000, needsUm: 870_000 },
    {
      letter: 'B',
      role: 'right',
      slot: 1,
      fate: possible ? 'JOINED' : 'NO_WAY',
      thereUm: 800_000,
      needsUm: 870_000,
    },
  ],
  readyNow: '2031-05-02',
  readyThen: '2031-05-05',
});

function open(possible: boolean) {
  const asked = serving({
    'POST /api/bench/pieces/25/resize/look': look(possible),
    'POST /api/bench/pieces/25/resize': new Reply(204),
    'GET /api/bench/pieces/25': made(),
    'GET /api/bench/pieces/25/left-over': [],
  });
  show(
    <CardPage />,
    [
      [sessionQuery.queryKey, { name: 'Tove', currency: 'EUR' }],
      [cardQuery(25).queryKey, made()],
    ],
    { route: '/bench/:piece', address: '/bench/25' },
  );
  fireEvent.click(screen.getByRole('button', { name: 'Another size' }));
  return asked;
}

it('says what another size takes before it is done, and asks why', async () => {
  const asked = open(true);
  const dialog = await screen.findByRole('dialog');
  fireEvent.change(within(dialog).getByLabelText('New size'), { target: { value: '15 cm' } });
  expect(await within(dialog).findByText(/It is 17\.8 cm long and will be about 16\.8 cm/)).toBeTruthy();
  expect(within(dialog).getByText(/Snake knots: 1 to 5 of 20/)).toBeTruthy();
  expect(within(dialog).getByText('suffices')).toBeTruthy();
  const go = within(dialog).getByRole('button', { name: 'Work on it' });
  expect(go).toHaveProperty('disabled', true);
  fireEvent.change(within(dialog).getByLabelText('In your words'), { target: { value: 'too wide' } });
  await waitFor(() => expect(go).toHaveProperty('disabled', false));
  fireEvent.click(go);
  await waitFor(() =>
    expect(asked.find((a) => a.path === '/api/bench/pieces/25/resize')?.body).toEqual({
      to: { size: '15 cm', units: 'METRIC' },
      reason: 'too wide',
    }),
  );
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
});

it('does not offer what cannot be', async () => {
  open(false);
  const dialog = await screen.findByRole('dialog');
  fireEvent.change(within(dialog).getByLabelText('New size'), { target: { value: '21 cm' } });
  fireEvent.change(within(dialog).getByLabelText('In your words'), { target: { value: 'too tight' } });
  expect(await within(dialog).findByText(/cannot become that size/)).toBeTruthy();
  expect(within(dialog).getByRole('button', { name: 'Work on it' })).toHaveProperty('disabled', true);
});
