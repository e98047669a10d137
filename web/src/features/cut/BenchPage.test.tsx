import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import type { Schemas } from '../../api/client';
import { devicesQuery } from '../../shared/devices';
import { sessionQuery } from '../../shared/session';
import { list, spool, strand } from '../../test/cuts';
import { answering, Reply, refused, serving } from '../../test/server';
import { show } from '../../test/show';
import BenchPage from './BenchPage';
import { goOnAt, nextCut } from './bench';
import { cutListQuery } from './queries';

const rest = (id: number, fromUm: number): Schemas['StepView'] => ({
  id,
  number: id,
  kind: 'REST',
  lengthUm: 47_030_000,
  fromUm,
  keep: true,
});
const done = (step: Schemas['StepView']) => ({ ...step, doneAt: '2026-11-25T10:00:00Z', doneBy: 'Bram' });

const EQUAL = [strand(1, 990_000, 0, 25), strand(2, 990_000, 990_000, 26), strand(3, 412_000, 1_980_000, 26)];
const S005 = spool(11, 'S005', [...EQUAL, rest(4, 2_392_000)]);
const S006 = spool(12, 'S006', [strand(5, 500_000, 0, 27), rest(6, 500_000)]);

const open = (
  value: Schemas['CutListView'],
  address = '/cut/7/bench',
  devices: Schemas['DevicesView'] = { there: false },
) =>
  show(
    <BenchPage />,
    [
      [sessionQuery.queryKey, { name: 'Tove', currency: 'EUR' }],
      [devicesQuery.queryKey, devices],
      [cutListQuery(7).queryKey, value],
    ],
    { route: '/cut/:list/bench', address },
  );

const acts = (asked: ReturnType<typeof answering>) =>
  asked.filter((a) => a.method === 'POST').map((a) => [a.path.split('/').slice(-3).join('/'), a.body]);

it('counts equal cuts and says what comes after them', () => {
  const next = nextCut(spool(11, 'S005', [done(EQUAL[0] as Schemas['StepView']), ...EQUAL.slice(1)]));
  expect([next?.step.id, next?.place, next?.of]).toEqual([2, 2, 2]);
  expect(next?.left.map((s) => s.id)).toEqual([2]);
  expect(next?.after?.steps.map((s) => s.id)).toEqual([3]);
  expect(nextCut(spool(11, 'S005', [done(EQUAL[0] as Schemas['StepView'])]))).toBeUndefined();
});

it('goes on at the spool in hand, else at one that nobody has', () => {
  const his = { ...S005, inHandOf: 'Bram' };
  expect(goOnAt([his, S006], 'Tove')?.label).toBe('S006');
  expect(goOnAt([his, { ...S006, inHandOf: 'Tove' }], 'Tove')?.label).toBe('S006');
  expect(goOnAt([his, S006], 'Bram')?.label).toBe('S005');
  expect(goOnAt([his], 'Tove')?.label).toBe('S005');
});

it('shows one cut in both units and makes it with the space key, once', async () => {
  const asked = answering(204);
  open(list([S005, S006]));
  expect(screen.getByText('990 mm')).toBeTruthy();
  expect(screen.getByText('3 ft 3 in')).toBeTruthy();
  expect(screen.getByText(/cut 1 of 2/)).toBeTruthy();
  expect(screen.getByText(/Then 1 × 412 mm/)).toBeTruthy();
  fireEvent.keyDown(document.body, { key: ' ' });
  fireEvent.keyDown(document.body, { key: ' ', repeat: true });
  await waitFor(() => expect(acts(asked)).toEqual([['spools/11/cuts', { steps: [1] }]]));
});

it('makes equal cuts together and takes the last back', async () => {
  const asked = answering(204);
  const { unmount } = open(list([S005]));
  fireEvent.keyDown(document.body, { key: 'a' });
  await waitFor(() => expect(acts(asked)).toEqual([['spools/11/cuts', { steps: [1, 2] }]]));
  unmount();
  open(list([spool(11, 'S005', [done(EQUAL[0] as Schemas['StepView']), ...EQUAL.slice(1)])]));
  fireEvent.keyDown(document.body, { key: 'Backspace' });
  await waitFor(() => expect(acts(asked)[1]?.[0]).toBe('spools/11/undo'));
});

it('asks what becomes of the leftover, and what is planned is the space key', async () => {
  const asked = answering(204);
  open(list([spool(11, 'S005', [...EQUAL.map(done), rest(4, 2_392_000)])]));
  expect(screen.getByText('Left over')).toBeTruthy();
  fireEvent.keyDown(document.body, { key: 'b' });
  await waitFor(() => expect(acts(asked)).toEqual([['spools/11/cuts', { steps: [4], keep: false }]]));
});

it('keeps its hands off what another has, until it is taken over', async () => {
  const asked = answering(204);
  open(list([{ ...S005, inHandOf: 'Bram' }]));
  expect(screen.getByText('Bram has this spool in hand')).toBeTruthy();
  fireEvent.keyDown(document.body, { key: ' ' });
  fireEvent.click(screen.getByRole('button', { name: 'Take it over' }));
  await waitFor(() => expect(acts(asked)).toEqual([['spools/11/take', { over: true }]]));
});

it('says where a flaw is, and what is wrong with what was typed', async () => {
  const asked = answering(422, refused('at'));
  open(list([S005]));
  fireEvent.keyDown(document.body, { key: 'f' });
  const dialog = within(await screen.findByRole('dialog'));
  fireEvent.change(dialog.getByLabelText('How far from the end'), { target: { value: 'far' } });
  fireEvent.click(dialog.getByText('Join'));
  fireEvent.click(dialog.getByRole('button', { name: 'Book it and plan on' }));
  expect(await dialog.findByText('Bad at. Write it anew.')).toBeTruthy();
  expect(acts(asked)).toEqual([['spools/11/flaw', { at: 'far', join: true, units: 'METRIC' }]]);
});

it('leads to the next spool, and says when the list is done', () => {
  const { unmount } = open(list([spool(11, 'S005', EQUAL.map(done)), S006]), '/cut/7/bench');
  expect(screen.getByText(/cut 1 of 1/)).toBeTruthy();
  unmount();
  open({
    ...list([spool(11, 'S005', EQUAL.map(done))]),
    confirmedAt: '2026-11-25T11:00:00Z',
    confirmedBy: 'Bram',
  });
  expect(screen.getByText(/Cut and booked by Bram/)).toBeTruthy();
});

it('plans again what is no longer planned, and picks again what lacked', async () => {
  const asked = answering(204);
  open({ ...list([S005]), unplanned: 2, lacking: 1 });
  fireEvent.click(screen.getByRole('button', { name: 'Plan what is left again' }));
  fireEvent.click(screen.getByRole('button', { name: 'The parts are there' }));
  await waitFor(() => expect(acts(asked).map(([path]) => path)).toEqual(['lists/7/plan', 'lists/7/confirm']));
});

it('follows the cord counter', async () => {
  vi.useFakeTimers({ shouldAdvanceTime: true });
  const asked = answering(200, { stand: 'RUN_ON', ranUm: 300_000, needUm: 990_000 });
  open(list([S005]), '/cut/7/bench', { there: true });
  fireEvent.click(screen.getByRole('button', { name: 'Follow the cord counter' }));
  expect(await screen.findByText('300 mm of 990 mm have run through')).toBeTruthy();
  await vi.advanceTimersByTimeAsync(1500);
  const counted = acts(asked).filter(([path]) => path === 'spools/11/counter');
  expect(counted[0]?.[1]).toEqual({ anew: true });
  expect(counted[1]?.[1]).toEqual({ anew: false });
  vi.useRealTimers();
});

it('asks after a cut only for the spool that was cut, and goes on', async () => {
  const shown = list([S005, S006]);
  const cut = spool(11, 'S005', [done(EQUAL[0] as Schemas['StepView']), ...S005.steps.slice(1)]);
  const before = { id: 11, inHandOf: undefined, done: 0 };
  let spools = [before, { id: 12, done: 0 }];
  const asked = serving({
    'GET /api/cut/lists/7/progress': () => ({
      revision: shown.revision,
      done: 0,
      unplanned: 0,
      lacking: 0,
      bettering: false,
      spools,
    }),
    'POST /api/cut/lists/7/spools/11/cuts': () => {
      spools = [
        { ...before, done: 1 },
        { id: 12, done: 0 },
      ];
      return new Reply(204);
    },
    'GET /api/cut/lists/7/spools/11': cut,
  });
  open(shown);
  expect(screen.getByText(/cut 1 of 2/)).toBeTruthy();
  fireEvent.keyDown(document.body, { key: ' ' });
  expect(await screen.findByText(/cut 2 of 2/)).toBeTruthy();
  expect(asked.map((a) => a.path)).not.toContain('/api/cut/lists/7');
  expect(asked.filter((a) => a.path === '/api/cut/lists/7/spools/11')).toHaveLength(1);
});

it('reads the list anew once it is done, since what waited has gone back', async () => {
  const shown = { ...list([spool(11, 'S005', EQUAL.map(done))]), waiting: [] };
  const doneAt = { confirmedAt: '2026-11-25T11:00:00Z', confirmedBy: 'Bram' };
  const asked = serving({
    'GET /api/cut/lists/7/progress': {
      revision: shown.revision,
      done: 3,
      unplanned: 0,
      lacking: 0,
      bettering: false,
      spools: [{ id: 11, done: 3 }],
      ...doneAt,
    },
    'GET /api/cut/lists/7': { ...shown, ...doneAt },
  });
  open(shown);
  expect(await screen.findByText(/Cut and booked by Bram/)).toBeTruthy();
  expect(asked.map((a) => a.path)).toContain('/api/cut/lists/7');
});
