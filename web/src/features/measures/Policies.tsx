import { Radio, Stack, Text, Title } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { ProblemNote } from '../../shared/ProblemNote';
import { useSession } from '../../shared/session';
import { useChoosePolicy } from './queries';

/** How the safety margin is chosen, with the risk that each policy takes. */
export function Policies({ view }: { view: Schemas['PoliciesView'] }) {
  const { t } = useTranslation();
  const { data: session } = useSession();
  const choose = useChoosePolicy();
  return (
    <Stack className="panel" p="md" gap="sm">
      <Title order={2} size="h4">
        {t('measures.margin')}
      </Title>
      <Radio.Group
        aria-label={t('measures.margin')}
        value={view.policies.find((p) => p.chosen)?.policy ?? ''}
        onChange={(policy) => choose.mutate({ policy, revision: view.revision })}
      >
        <Stack gap={6}>
          {view.policies.map((p) => (
            <Radio
              key={p.policy}
              value={p.policy}
              disabled={session?.role !== 'OWNER' || choose.isPending}
              label={t(`policy.${p.policy}`)}
              description={
                p.oneIn === undefined ? t('policy.byCostHint') : t('policy.oneIn', { count: p.oneIn })
              }
            />
          ))}
        </Stack>
      </Radio.Group>
      <ProblemNote error={choose.error} />
      <Text size="sm" c="dimmed">
        {t('policy.hint')}
      </Text>
    </Stack>
  );
}
