import { fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, it } from 'vitest';
import { Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
import { WaysPanel } from './WaysPanel';

const KEPT = {
  ways: [
    { name: 'Harbour post', days: 3 },
    { name: 'Bicycle courier', days: 1 },
  ],
  revision: 4,
};

it('keeps ways as they are typed, added and left out', async () => {
  const asked = serving({ 'GET /api/ways': KEPT, 'PUT /api/ways': { revision: 5 } });
  show(<WaysPanel owner />);
  fireEvent.click(await screen.findByRole('button', { name: 'Leave out Bicycle courier' }));
  fireEvent.click(screen.getByRole('button', { name: 'Add a way' }));
  const names = screen.getAllByLabelText('Way');
  fireEvent.change(names[1] as HTMLElement, { target: { value: 'Ferry' } });
  fireEvent.click(screen.getByRole('button', { name: 'Keep the ways' }));
  await waitFor(() =>
    expect(asked.find((a) => a.method === 'PUT')?.body).toEqual({
      ways: [
        { name: 'Harbour post', days: 3 },
        { name: 'Ferry', days: 0 },
      ],
      revision: 4,
    }),
  );
});

it('says beside the field which way cannot be so, and keeps what was typed', async () => {
  serving({ 'GET /api/ways': KEPT, 'PUT /api/ways': new Reply(422, refused('ways[1].name')) });
  show(<WaysPanel owner />);
  fireEvent.change((await screen.findAllByLabelText('Way'))[1] as HTMLElement, {
    target: { value: 'Harbour post' },
  });
  fireEvent.click(screen.getByRole('button', { name: 'Keep the ways' }));
  expect((await screen.findAllByText(/Bad ways\[1\]\.name/)).length).toBeGreaterThan(0);
  expect(screen.getAllByDisplayValue('Harbour post')).toHaveLength(2);
});

it('is only read by who is no owner', async () => {
  serving({ 'GET /api/ways': KEPT });
  show(<WaysPanel owner={false} />);
  expect((await screen.findByDisplayValue('Harbour post')).hasAttribute('readonly')).toBe(true);
  expect(screen.queryByRole('button', { name: 'Keep the ways' })).toBeNull();
});
