import type { Schemas } from '../../api/client';

type Step = Schemas['StepView'];

export interface EqualCuts {
  steps: [Step, ...Step[]];
}

/** Neighbouring strands of one length, role and fold are cut together; leftovers stand alone. */
export function equalCuts(steps: Step[]): EqualCuts[] {
  const groups: EqualCuts[] = [];
  for (const step of steps) {
    const last = groups.at(-1);
    const like = last?.steps[0];
    if (
      like &&
      step.kind === 'STRAND' &&
      like.kind === 'STRAND' &&
      like.lengthUm === step.lengthUm &&
      like.role === step.role &&
      like.mark?.um === step.mark?.um &&
      like.mark?.kind === step.mark?.kind
    ) {
      last.steps.push(step);
    } else {
      groups.push({ steps: [step] });
    }
  }
  return groups;
}
