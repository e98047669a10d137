import { Button, Group, NumberInput, SegmentedControl, Stack, Switch, Text, Title } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { planRulesQuery, useKeepPlanRules } from '../../shared/days';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';

type Rules = Schemas['PlanRulesView'];

const FIGURES = [
  'familySeconds',
  'jigSeconds',
  'spoolSeconds',
  'cutSeconds',
  'checkSeconds',
  'packSeconds',
] as const;
const PUBLISHED = { always: true, never: false, alone: undefined };

/** Whether and how the house plans its days. */
export function PlanRules({ owner }: { owner: boolean }) {
  const { t } = useTranslation();
  const rules = useQuery(planRulesQuery);
  return (
    <Stack className="panel" p="md" maw={680} gap="sm">
      <Title order={2} size="h4">
        {t('planRules.title')}
      </Title>
      <Text size="sm">{t('planRules.words')}</Text>
      <Await query={rules}>{(kept) => <Form key={kept.revision} kept={kept} owner={owner} />}</Await>
    </Stack>
  );
}

function Form({ kept, owner }: { kept: Rules; owner: boolean }) {
  const { t } = useTranslation();
  const keep = useKeepPlanRules();
  const [rules, setRules] = useState(kept);
  const problem = (field: string) =>
    keep.error instanceof ProblemError && keep.error.field(field) !== undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(rules, {
      onSuccess: () => notifications.show({ message: t('planRules.kept'), color: 'board' }),
    });
  };
  const figure = (name: (typeof FIGURES)[number] | 'keepFreePercent', suffix: string) => (
    <NumberInput
      key={name}
      w={190}
      label={t(`planRules.${name}`)}
      value={rules[name]}
      onChange={(n) => setRules({ ...rules, [name]: Number(n) || 0 })}
      allowDecimal={false}
      min={0}
      suffix={suffix}
      readOnly={!owner}
      error={problem(name)}
    />
  );
  return (
    <Stack component="form" gap="sm" onSubmit={submit} aria-label={t('planRules.title')}>
      <Switch
        label={t('planRules.planning')}
        checked={rules.planning}
        disabled={!owner}
        onChange={(e) => setRules({ ...rules, planning: e.currentTarget.checked })}
      />
      <Switch
        label={t('planRules.wholePieces')}
        description={t('planRules.wholePiecesWords')}
        checked={rules.wholePieces}
        disabled={!owner}
        onChange={(e) => setRules({ ...rules, wholePieces: e.currentTarget.checked })}
      />
      <Stack gap={4}>
        <Text size="sm" fw={500}>
          {t('planRules.publishes')}
        </Text>
        <SegmentedControl
          aria-label={t('planRules.publishes')}
          disabled={!owner}
          value={rules.publishes === undefined ? 'alone' : rules.publishes ? 'always' : 'never'}
          onChange={(v) => setRules({ ...rules, publishes: PUBLISHED[v as keyof typeof PUBLISHED] })}
          data={Object.keys(PUBLISHED).map((v) => ({ value: v, label: t(`planRules.publishes.${v}`) }))}
        />
      </Stack>
      {figure('keepFreePercent', ' %')}
      <Group gap="sm" align="flex-end">
        {FIGURES.map((name) => figure(name, ' s'))}
      </Group>
      <ProblemNote error={keep.error} />
      {owner && (
        <Group>
          <Button type="submit" variant="default" loading={keep.isPending}>
            {t('calendar.keep')}
          </Button>
        </Group>
      )}
    </Stack>
  );
}
