import { fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { devicesQuery } from '../../shared/devices';
import { Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
import { LeftOver } from './LeftOver';
import { leftOverQuery } from './queries';

const strand = (more: Partial<Schemas['LeftOverView']> = {}): Schemas['LeftOverView'] => ({
  strand: 0,
  letter: 'A',
  role: 'first',
  articleCode: 'NT2',
  articleName: 'Night Tide',
  colour: '#22365C',
  cutUm: 1_770_000,
  expectedUm: 240_000,
  keepUm: 300_000,
  weighable: false,
  together: [],
  ...more,
});

const open = (rows: Schemas['LeftOverView'][], answer: unknown = new Reply(204)) => {
  const asked = serving({
    'GET /api/bench/pieces/25/left-over': rows,
    'POST /api/bench/pieces/25/left-over': answer,
    'POST /api/bench/left-over/weighed': answer,
  });
  show(<LeftOver piece={25} />, [
    [leftOverQuery(25).queryKey, rows],
    [devicesQuery.queryKey, { there: false }],
  ]);
  return () => asked.filter((a) => a.method === 'POST').map((a) => a.body);
};

it('tells by a ruler that is tapped, and says that it is about so', async () => {
  const said = open([strand()]);
  fireEvent.click(screen.getByLabelText('about'));
  fireEvent.keyDown(screen.getByRole('slider'), { key: 'ArrowRight' });
  expect((screen.getByLabelText('Left of A', { selector: 'input' }) as HTMLInputElement).value).toBe('25 cm');
  fireEvent.click(screen.getByRole('button', { name: 'Keep it' }));
  await waitFor(() => expect(said()).toMatchObject([{ strand: 0, left: '25 cm', how: 'ABOUT' }]));
});

it('weighs the trimmings of a batch together', async () => {
  const said = open([strand({ weighable: true, together: [25, 26, 27] })]);
  fireEvent.change(screen.getByLabelText('Weight of all trimmings of NT2'), { target: { value: '3.1 g' } });
  fireEvent.click(screen.getByLabelText(/of all 3 pieces of this batch/));
  fireEvent.submit(
    screen.getByLabelText('Weight of all trimmings of NT2').closest('form') as HTMLFormElement,
  );
  await waitFor(() =>
    expect(said()).toMatchObject([{ pieces: [25, 26, 27], article: 'NT2', weight: '3.1 g' }]),
  );
});

it('offers no more than its own where nothing else waits to be weighed', () => {
  open([strand({ weighable: true, together: [25] })]);
  expect(screen.queryByRole('checkbox')).toBeNull();
});

it('says which slider waits for the tail, and where to say that it is too short', () => {
  open([strand({ slider: { list: 4, piece: 25, role: 'slider', needUm: 425_000 } })]);
  expect(screen.getByText(/The slider of piece 25 is cut from this tail and needs 425 mm/)).toBeTruthy();
  expect(screen.getByRole('link', { name: /cut list/ }).getAttribute('href')).toBe('/cut/4');
});

it('says at the field what cannot be, and keeps what was typed', async () => {
  const fields = [{ field: 'left', code: 'length.unread', message: 'Bad left.', remedy: 'Write it anew.' }];
  open([strand()], new Reply(422, { ...refused(), fields }));
  const field = screen.getByLabelText('Left of A') as HTMLInputElement;
  fireEvent.change(field, { target: { value: 'lots' } });
  fireEvent.click(screen.getByRole('button', { name: 'Keep it' }));
  expect(await screen.findByText(/Bad left/)).toBeTruthy();
  expect(field.value).toBe('lots');
});
