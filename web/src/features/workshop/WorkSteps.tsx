import { Stack, Switch, Text, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { useKeepWorkSteps, workStepsQuery } from './queries';

const STEPS = ['checks', 'packs'] as const;

/** What a piece goes through between made and sent; nothing, unless the house wants it. */
export function WorkSteps({ owner }: { owner: boolean }) {
  const { t } = useTranslation();
  const kept = useQuery(workStepsQuery);
  const keep = useKeepWorkSteps();
  return (
    <Stack className="panel" p="md" maw={680} gap="sm">
      <Title order={2} size="h4">
        {t('workSteps.title')}
      </Title>
      <Text size="sm">{t('workSteps.words')}</Text>
      <Await query={kept}>
        {(steps) => (
          <>
            {STEPS.map((step) => (
              <Switch
                key={step}
                label={t(`workSteps.${step}`)}
                description={t(`workSteps.${step}Words`)}
                checked={steps[step]}
                disabled={!owner || keep.isPending}
                onChange={(e) => keep.mutate({ ...steps, [step]: e.currentTarget.checked })}
              />
            ))}
          </>
        )}
      </Await>
      <ProblemNote error={keep.error} />
    </Stack>
  );
}
