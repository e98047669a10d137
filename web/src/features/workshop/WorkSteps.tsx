import { useQuery } from '@tanstack/react-query';
import { benchRulesQuery, useKeepBenchRules, useKeepWorkSteps, workStepsQuery } from './queries';
import { Switches } from './Switches';

/** What a piece goes through between made and sent; nothing, unless the house wants it. */
export function WorkSteps({ owner }: { owner: boolean }) {
  return (
    <Switches
      prefix="workSteps"
      names={['checks', 'packs'] as const}
      query={useQuery(workStepsQuery)}
      keep={useKeepWorkSteps()}
      owner={owner}
    />
  );
}

/** Whether gates hold, and whether steps are timed. */
export function BenchRules({ owner }: { owner: boolean }) {
  return (
    <Switches
      prefix="benchRules"
      names={['gatesRemind', 'timer'] as const}
      query={useQuery(benchRulesQuery)}
      keep={useKeepBenchRules()}
      owner={owner}
    />
  );
}
