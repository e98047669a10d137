import { fireEvent, screen, waitFor } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import type { Schemas } from '../../api/client';
import { sessionQuery } from '../../shared/session';
import { card } from '../../test/card';
import { Reply, serving } from '../../test/server';
import { show } from '../../test/show';
import { WentWrong } from './WentWrong';

const way = (more: Partial<Schemas['ChoiceView']>): Schemas['ChoiceView'] => ({
  way: 'GIVE_UP',
  backTo: 1,
  cordUm: 0,
  seconds: 1200,
  balanceUm: 0,
  sameLot: false,
  cost: 0,
  possible: true,
  scrapUm: 0,
  parts: [],
  readyNow: '2031-03-04',
  readyThen: '2031-03-05',
  ...more,
});

const asking = (...ways: Schemas['ChoiceView'][]) => {
  const onClose = vi.fn();
  const asked = serving({
    'GET /api/bench/pieces/25/mishaps/STRAND_SHORT': ways,
    'GET /api/bench/pieces/25/mishaps/PART_BROKEN': ways,
    'POST /api/bench/pieces/25/mishaps': new Reply(204),
  });
  show(<WentWrong card={card({ next: 2 })} onClose={onClose} />, [
    [sessionQuery.queryKey, { name: 'Tove', currency: 'EUR' }],
  ]);
  return { asked, onClose };
};

const said = (asked: ReturnType<typeof asking>['asked']) => asked.find((a) => a.method === 'POST')?.body;

it('says what each way costs in cord, time and days before it is gone', async () => {
  asking(
    way({
      way: 'NEW_STRAND',
      strand: 0,
      cordUm: 990_000,
      scrapUm: 990_000,
      cost: 0.15,
      holdingId: 8,
      holding: 'NT-64',
      sameLot: true,
    }),
    way({ way: 'UNPICK', readyThen: '2031-03-04' }),
  );
  expect(
    await screen.findByText(/990 mm of cord from NT-64 · €0.15 · 990 mm of the old cord is scrap/),
  ).toBeTruthy();
  expect(screen.getByText(/its order is ready by .*Mar 5.* then/)).toBeTruthy();
  expect(screen.getByText(/its order stays ready by .*Mar 4/)).toBeTruthy();
});

it('gives a piece up for a reason only, and puts back what is counted', async () => {
  const { asked, onClose } = asking(
    way({ parts: [{ article: 7, articleCode: 'HB9', articleName: 'Harbour bead', most: 3 }] }),
  );
  const go = await screen.findByRole('button', { name: 'Do this' });
  expect(go.hasAttribute('disabled')).toBe(true);
  fireEvent.change(screen.getByLabelText('In your words'), { target: { value: 'burnt' } });
  fireEvent.change(screen.getByLabelText('Back on the shelf: Harbour bead (HB9)'), {
    target: { value: '2' },
  });
  fireEvent.click(go);
  await waitFor(() => expect(onClose).toHaveBeenCalled());
  expect(said(asked)).toMatchObject({
    way: 'GIVE_UP',
    reason: 'burnt',
    parts: [{ article: 7, count: 2 }],
  });
});

it('names the part that is replaced, where several could be', async () => {
  const { asked } = asking(
    way({ way: 'NEW_PART', part: 'clip', cost: 0.65 }),
    way({ way: 'NEW_PART', part: 'breakaway', cost: 0.45 }),
  );
  fireEvent.change(screen.getByLabelText('What is it?'), { target: { value: 'PART_BROKEN' } });
  await screen.findByText(/one breakaway/i);
  fireEvent.click(screen.getAllByRole('button', { name: 'Do this' })[1] as HTMLElement);
  await waitFor(() => expect(said(asked)).toMatchObject({ way: 'NEW_PART', part: 'breakaway' }));
});

it('does not offer what is not on the shelf', async () => {
  asking(way({ way: 'SPLICE', strand: 0, cordUm: 400_000, possible: false }));
  expect(await screen.findByText(/no spool on the shelf has it/)).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Do this' }).hasAttribute('disabled')).toBe(true);
});
