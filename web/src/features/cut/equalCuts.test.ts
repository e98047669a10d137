import { expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { equalCuts } from './equalCuts';

const step = (id: number, change: Partial<Schemas['StepView']> = {}): Schemas['StepView'] => ({
  id,
  number: id,
  kind: 'STRAND',
  lengthUm: 412_000,
  fromUm: 0,
  keep: false,
  role: 'core',
  ...change,
});

it('gathers neighbouring equal strands and leaves everything else alone', () => {
  const groups = equalCuts([
    step(1),
    step(2),
    step(3, { role: 'slider' }),
    step(4, { role: 'slider', mark: { kind: 'MIDDLE', um: 206_000 } }),
    step(5),
    step(6, { kind: 'REST', role: undefined }),
    step(7, { kind: 'REST', role: undefined }),
  ]);
  expect(groups.map((g) => g.steps.map((s) => s.id))).toEqual([[1, 2], [3], [4], [5], [6], [7]]);
});
