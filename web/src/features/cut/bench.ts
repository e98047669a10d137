import type { Schemas } from '../../api/client';
import { type EqualCuts, equalCuts } from './equalCuts';

export type Spool = Schemas['SpoolView'];
export type Step = Schemas['StepView'];

export const toDo = (spool: Spool): Step[] => spool.steps.filter((s) => !s.doneAt);
export const lastDone = (spool: Spool): Step | undefined => spool.steps.filter((s) => s.doneAt).at(-1);

/** The cut that is next, and its place among those that are equal to it. */
export interface Next {
  step: Step;
  /** Counted from one. */
  place: number;
  of: number;
  /** All that are left of the equal ones. */
  left: Step[];
  after: EqualCuts | undefined;
}

export function nextCut(spool: Spool): Next | undefined {
  const step = toDo(spool)[0];
  if (!step) return undefined;
  const groups = equalCuts(spool.steps);
  const at = groups.findIndex((g) => g.steps.some((s) => s.id === step.id));
  const steps = groups[at]?.steps ?? [step];
  return {
    step,
    place: steps.findIndex((s) => s.id === step.id) + 1,
    of: steps.length,
    left: steps.filter((s) => !s.doneAt),
    after: groups[at + 1],
  };
}

/** Where somebody goes on: at the spool in hand, else at the first that nobody has. */
export function goOnAt(spools: Spool[], who: string): Spool | undefined {
  const open = spools.filter((s) => toDo(s).length > 0);
  return open.find((s) => s.inHandOf === who) ?? open.find((s) => !s.inHandOf) ?? open[0];
}
