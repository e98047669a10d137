import { afterEach, expect, it, vi } from 'vitest';
import { ProblemError } from '../api/client';
import { Reply, refused, serving } from '../test/server';
import { inWork, outcome } from './jobs';

afterEach(() => vi.unstubAllGlobals());

const job = (state: string, more: Record<string, unknown> = {}) => ({
  id: 3,
  state,
  done: 0,
  whole: 0,
  ...more,
});

function serve(...states: unknown[]) {
  return serving({ 'GET /api/jobs/3': () => (states.length > 1 ? states.shift() : states[0]) });
}

it('looks again until the work has ended, and answers what came of it', async () => {
  const asked = serve(job('WAITING'), job('RUNNING'), job('DONE', { result: { rows: 4 } }));
  expect(await outcome(3, 1)).toEqual({ rows: 4 });
  expect(asked).toHaveLength(3);
});

it('answers nothing for work that was stopped', async () => {
  serve(job('RUNNING'), job('STOPPED'));
  expect(await outcome(3, 1)).toBeUndefined();
});

it('fails with the reason, field by field, as if it had been done at once', async () => {
  serve(job('FAILED', { problem: refused('file') }));
  const failed = await outcome(3, 1).catch((e: unknown) => e);
  expect(failed).toBeInstanceOf(ProblemError);
  expect((failed as ProblemError).field('file')).toBe('Bad file. Write it anew.');
});

it('fails when the work is not there or not one’s own', async () => {
  serving({
    'GET /api/jobs/3': new Reply(403, { title: 'Not yours', detail: '', status: 403, code: 'forbidden' }),
  });
  await expect(outcome(3, 1)).rejects.toThrow('Not yours');
});

it.each([
  ['WAITING', true],
  ['RUNNING', true],
  ['DONE', false],
  ['FAILED', false],
  ['STOPPED', false],
] as const)('%s is in work: %s', (state, going) => {
  expect(inWork({ state })).toBe(going);
});

it('nothing is in work before it is known', () => {
  expect(inWork(undefined)).toBe(false);
});
