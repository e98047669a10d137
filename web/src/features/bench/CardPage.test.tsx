import { fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, expect, it, vi } from 'vitest';
import type { Schemas } from '../../api/client';
import { sessionQuery } from '../../shared/session';
import { card } from '../../test/card';
import { answering, serving } from '../../test/server';
import { show } from '../../test/show';
import CardPage from './CardPage';
import { keep, keptActs } from './kept';
import { cardQuery } from './queries';

beforeEach(() => localStorage.clear());

const open = (value: Schemas['WorkCardView'], address = '/bench/25') =>
  show(
    <CardPage />,
    [
      [sessionQuery.queryKey, { name: 'Tove', currency: 'EUR' }],
      [cardQuery(25).queryKey, value],
    ],
    { route: '/bench/:piece', address },
  );

const acts = (asked: ReturnType<typeof answering>) =>
  asked
    .filter((a) => a.method === 'POST' && a.path === '/api/bench/acts')
    .map((a) => {
      const { act, step, reason } = a.body as Schemas['StepAct'];
      return [act, step, reason].filter((x) => x !== undefined);
    });

/** A server on which the piece stands there after whatever is done. */
const standing = (next: number, heldUp = false) =>
  serving({
    'POST /api/bench/acts': { piece: 25, next, heldUp, inHandOf: 'Tove' },
    'GET /api/bench/pieces/25': card({ next, heldUp }),
  });

const offline = () => {
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
};

it('does a step with the space key, once, and shows the next at once', async () => {
  const asked = standing(1);
  open(card());
  expect(screen.getByText('Lay out A and B and label them.', { selector: 'p' })).toBeTruthy();
  fireEvent.keyDown(document.body, { key: ' ' });
  fireEvent.keyDown(document.body, { key: ' ', repeat: true });
  await waitFor(() => expect(acts(asked)).toEqual([['DONE', 0]]));
  expect(screen.getByText('Snake knots: 1 to 5 of 20 in A and B.', { selector: 'p' })).toBeTruthy();
  expect(screen.getByText('Reach', { exact: false, selector: 'p' }).textContent).toBe('Reach 20.5 mm');
  await waitFor(() => expect(keptActs()).toEqual([]));
});

it('holds at a gate, and goes on all the same for a reason only', async () => {
  const asked = standing(2, true);
  open(card({ next: 2 }));
  fireEvent.keyDown(document.body, { key: 'n' });
  expect(await screen.findByText(/Held up/)).toBeTruthy();
  fireEvent.keyDown(document.body, { key: 'g' });
  const go = screen.getByRole('button', { name: 'Go on' });
  expect(go).toHaveProperty('disabled', true);
  fireEvent.change(screen.getByLabelText(/Why is it passed over/), { target: { value: 'near enough' } });
  fireEvent.click(go);
  await waitFor(() =>
    expect(acts(asked)).toEqual([
      ['NOT_YET', 2],
      ['ALL_THE_SAME', 2, 'near enough'],
    ]),
  );
});

it('says why it is held up, and what was gone on from all the same', () => {
  const last = {
    act: 'NOT_YET',
    step: 2,
    at: '2031-03-01T10:00:00Z',
    who: 'Bram',
    reason: 'the cord is nearly used up',
  };
  const { unmount } = open(card({ next: 2, heldUp: true, last }));
  expect(screen.getByText('Bram: the cord is nearly used up')).toBeTruthy();
  unmount();
  open(card({ next: 3, passedOver: [{ step: 2, reason: 'it is near', who: 'Bram' }] }));
  expect(screen.getByText('Step 3, Bram: it is near')).toBeTruthy();
});

it('goes on without a network, keeps what was done through a reload, and says so', async () => {
  offline();
  const { unmount } = open(card());
  fireEvent.keyDown(document.body, { key: ' ' });
  fireEvent.keyDown(document.body, { key: ' ' });
  expect(await screen.findByText(/2 acts are kept here/)).toBeTruthy();
  expect(screen.getByText(/first 5 repeats/, { selector: 'p' })).toBeTruthy();
  unmount();
  open(card());
  expect(screen.getByText(/first 5 repeats/, { selector: 'p' })).toBeTruthy();
  fireEvent.keyDown(document.body, { key: 'Backspace' });
  expect(await screen.findByText(/Snake knots: 1 to 5/, { selector: 'p' })).toBeTruthy();
  expect(keptActs().map((a) => [a.act.act, a.act.step])).toEqual([['DONE', 0]]);
});

it('sends what was kept in its order, by whoever did it alone', async () => {
  const kept = (who: string, order: number, step: number) =>
    keep({ who, order, act: { key: `${who}-${step}`, piece: 25, act: 'DONE', step } });
  kept('Tove', 2, 1);
  kept('Tove', 1, 0);
  kept('Bram', 0, 0);
  const asked = standing(2);
  open(card());
  await waitFor(() =>
    expect(acts(asked)).toEqual([
      ['DONE', 0],
      ['DONE', 1],
    ]),
  );
  await waitFor(() => expect(keptActs().map((a) => a.who)).toEqual(['Bram']));
});

it('keeps what only came in between, and refuses nothing of it', async () => {
  answering(409, { title: 'Somebody else changed this just now', status: 409, code: 'changedMeanwhile' });
  open(card());
  fireEvent.keyDown(document.body, { key: ' ' });
  await waitFor(() => expect(keptActs().map((k) => [k.act.step, k.refused])).toEqual([[0, undefined]]));
  expect(screen.queryByText('Somebody else changed this just now')).toBeNull();
});

it('tells what was refused, and asks nothing more of that piece', async () => {
  keep({ who: 'Tove', order: 1, act: { key: 'a', piece: 25, act: 'DONE', step: 0 } });
  keep({ who: 'Tove', order: 2, act: { key: 'b', piece: 25, act: 'DONE', step: 1 } });
  const asked = answering(409, {
    title: 'Another step is next',
    detail: 'The piece is at step 4.',
    status: 409,
    code: 'bench.NOT_NEXT',
  });
  open(card());
  expect(await screen.findByText('Another step is next')).toBeTruthy();
  expect(screen.getByText(/2 acts with the piece of tag 25 were not kept/)).toBeTruthy();
  expect(acts(asked)).toHaveLength(1);
  fireEvent.click(screen.getByRole('button', { name: 'Leave it out' }));
  expect(keptActs()).toEqual([]);
});

it('keeps what was refused as notes, each of them once', async () => {
  keep({
    who: 'Tove',
    order: 1,
    act: { key: 'a', piece: 25, act: 'ALL_THE_SAME', step: 2, reason: 'near enough', seconds: 40 },
    refused: { title: 'Another step is next', detail: '' },
  });
  const asked = answering(204);
  open(card());
  fireEvent.click(screen.getByRole('button', { name: 'Keep it as a note' }));
  await waitFor(() => expect(keptActs()).toEqual([]));
  expect(asked.filter((a) => a.path === '/api/bench/notes').map((a) => a.body)).toEqual([
    { key: 'a', piece: 25, step: 2, insteadOf: 'ALL_THE_SAME', seconds: 40, words: 'near enough' },
  ]);
});

it('takes minutes that no timer counted, and a note', async () => {
  const asked = answering(204);
  open(card({ next: 2 }));
  fireEvent.change(screen.getByLabelText('Minutes not timed'), { target: { value: '25' } });
  fireEvent.change(screen.getByLabelText('Note'), { target: { value: 'the first half' } });
  const form = screen.getByLabelText('Note').closest('form') as HTMLFormElement;
  fireEvent.submit(form);
  await waitFor(() =>
    expect(asked.find((a) => a.path === '/api/bench/notes')?.body).toMatchObject({
      piece: 25,
      step: 2,
      seconds: 1500,
      words: 'the first half',
    }),
  );
});

it('shows in whose hands it is, and offers to take it over', async () => {
  const asked = answering(204);
  open(card({ inHandOf: 'Bram' }));
  expect(screen.getByText('This piece is in Bram’s hands')).toBeTruthy();
  fireEvent.keyDown(document.body, { key: ' ' });
  expect(keptActs()).toEqual([]);
  fireEvent.click(screen.getByRole('button', { name: 'Take it over' }));
  await waitFor(() =>
    expect(asked.find((a) => a.path === '/api/bench/take')?.body).toEqual({ pieces: [25], over: true }),
  );
});

it('asks nothing at a flame but whether it is out', () => {
  const base = card();
  const steps = [...base.steps];
  steps[0] = {
    ...(steps[0] as Schemas['CardStepView']),
    doing: 'SEAL_ENDS',
    flame: true,
    cautions: ['FLAME'],
  };
  open({ ...base, steps });
  expect(screen.getByRole('button', { name: /the flame is out/ })).toBeTruthy();
  expect(screen.queryByRole('timer')).toBeNull();
  expect(screen.getByText(/molten cord sticks to skin/)).toBeTruthy();
});

it('asks the server what a measured length says', async () => {
  const asked = serving({
    'GET /api/measures/length': { um: 19_000 },
    'POST /api/bench/pieces/25/measured': {
      lengthUm: 19_000,
      ratio: 0.93,
      toGo: 32,
      more: 3,
      tension: 'TIGHT',
      chance: 0.42,
      suffices: 'NO',
    },
  });
  open(card({ next: 2 }));
  fireEvent.change(screen.getByLabelText('Length so far'), { target: { value: '19 mm' } });
  fireEvent.click(screen.getByRole('button', { name: 'What does it say?' }));
  expect(await screen.findByText(/32 repeats to go, 3 more than the card says/)).toBeTruthy();
  expect(screen.getByText(/chance of 42 %/)).toBeTruthy();
  expect(asked.find((a) => a.path.endsWith('/measured'))?.body).toMatchObject({ step: 2, length: '19 mm' });
});

it('works step by step through alike pieces', async () => {
  standing(1);
  open(card({ alike: [{ piece: 26, number: 2, next: 0, inHandOf: 'Tove' }] }), '/bench/25?by=step');
  expect(screen.getByRole('radio', { name: 'Step by step' })).toHaveProperty('checked', true);
});
