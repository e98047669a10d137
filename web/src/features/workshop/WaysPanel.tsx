import { Button, CloseButton, Group, NumberInput, Stack, Text, TextInput, Title } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { useKeepWays, waysQuery } from '../../shared/ways';

/** The ways in which parcels go, with the days that each usually takes. */
export function WaysPanel({ owner }: { owner: boolean }) {
  const { t } = useTranslation();
  const ways = useQuery(waysQuery);
  return (
    <Stack component="section" className="panel" p="md" maw={680} gap="sm" aria-label={t('ways.title')}>
      <Title order={2} size="h4">
        {t('ways.title')}
      </Title>
      <Text size="sm">{t('ways.words')}</Text>
      <Await query={ways}>{(kept) => <Fields kept={kept} owner={owner} />}</Await>
    </Stack>
  );
}

function Fields({ kept, owner }: { kept: Schemas['WaysView']; owner: boolean }) {
  const { t } = useTranslation();
  const keep = useKeepWays();
  const [ways, setWays] = useState(kept.ways);
  const problem = (field: string) =>
    keep.error instanceof ProblemError ? keep.error.field(field) : undefined;
  const set = (at: number, change: Partial<Schemas['Way']>) =>
    setWays(ways.map((way, i) => (i === at ? { ...way, ...change } : way)));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(
      { ways, revision: kept.revision },
      { onSuccess: () => notifications.show({ message: t('ways.kept'), color: 'board' }) },
    );
  };
  return (
    <Stack component="form" onSubmit={submit} gap="xs">
      {ways.map((way, i) => (
        <Group key={i} gap="xs" align="flex-end">
          <TextInput
            w={240}
            label={t('ways.name')}
            readOnly={!owner}
            value={way.name}
            maxLength={60}
            onChange={(e) => set(i, { name: e.currentTarget.value })}
            error={problem(`ways[${i}].name`)}
          />
          <NumberInput
            w={130}
            label={t('ways.days')}
            readOnly={!owner}
            value={way.days}
            min={0}
            max={60}
            allowDecimal={false}
            onChange={(days) => set(i, { days: Number(days) || 0 })}
            error={problem(`ways[${i}].days`)}
          />
          {owner && (
            <CloseButton
              aria-label={t('ways.drop', { name: way.name })}
              onClick={() => setWays(ways.filter((_, other) => other !== i))}
            />
          )}
        </Group>
      ))}
      <ProblemNote error={keep.error} />
      {owner && (
        <Group gap="xs">
          <Button type="submit" variant="default" loading={keep.isPending}>
            {t('house.keep.ways')}
          </Button>
          <Button variant="default" onClick={() => setWays([...ways, { name: '', days: 0 }])}>
            {t('ways.add')}
          </Button>
        </Group>
      )}
    </Stack>
  );
}
