import {
  Button,
  Group,
  NativeSelect,
  NumberInput,
  SegmentedControl,
  Stack,
  Switch,
  Text,
  Title,
} from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { api, ask, ProblemError, type Schemas } from '../../api/client';
import { FAMILIES, planRulesQuery, useKeepPlanRules } from '../../shared/days';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';

type Rules = Schemas['PlanRulesView'];
type Family = Schemas['OwnFamily']['family'];

const ownFamiliesQuery = queryOptions({
  queryKey: ['measures', 'families'],
  queryFn: () => ask(api.GET('/api/measures/families')),
});

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
      <OwnFamilies />
    </Stack>
  );
}

/** Which family the plan counts the house's own stitches to. */
function OwnFamilies() {
  const { t } = useTranslation();
  const client = useQueryClient();
  const own = useQuery(ownFamiliesQuery);
  const choose = useMutation({
    mutationFn: ({ code, family }: { code: string; family: Family }) =>
      ask(api.PUT('/api/measures/families/{code}', { params: { path: { code } }, body: { family } })),
    onSettled: () => client.invalidateQueries(ownFamiliesQuery),
  });
  return (
    <Await query={own}>
      {({ stitches }) =>
        stitches.length > 0 && (
          <Stack gap="xs">
            <Text size="sm">{t('planRules.families')}</Text>
            <Group gap="sm">
              {stitches.map((stitch) => (
                <NativeSelect
                  key={stitch.code}
                  label={stitch.name}
                  value={stitch.family}
                  onChange={(e) =>
                    choose.mutate({ code: stitch.code, family: e.currentTarget.value as Family })
                  }
                  data={FAMILIES.map((family) => ({ value: family, label: t(`family.${family}`) }))}
                />
              ))}
            </Group>
            <ProblemNote error={choose.error} />
          </Stack>
        )
      }
    </Await>
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
