import { Button, Group, NumberInput, Stack, Text, Title } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { openMinutesQuery, useKeepOpenMinutes } from './queries';

const DAYS = ['MONDAY', 'TUESDAY', 'WEDNESDAY', 'THURSDAY', 'FRIDAY', 'SATURDAY', 'SUNDAY'] as const;

/** How long the bench is open each day; what can be promised follows from it. */
export function OpenMinutes({ owner }: { owner: boolean }) {
  const { t } = useTranslation();
  const kept = useQuery(openMinutesQuery);
  return (
    <Stack className="panel" p="md" maw={680} gap="sm">
      <Title order={2} size="h4">
        {t('openMinutes.title')}
      </Title>
      <Text size="sm">{t('openMinutes.words')}</Text>
      <Await query={kept}>{(minutes) => <Fields kept={minutes} owner={owner} />}</Await>
    </Stack>
  );
}

interface FieldsProps {
  kept: Schemas['OpenMinutesView'];
  owner: boolean;
}

function Fields({ kept, owner }: FieldsProps) {
  const { t } = useTranslation();
  const keep = useKeepOpenMinutes();
  const [minutes, setMinutes] = useState<Record<string, number | string>>(kept.minutes);
  const [revision, setRevision] = useState(kept.revision);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(
      { minutes: Object.fromEntries(DAYS.map((day) => [day, Number(minutes[day]) || 0])), revision },
      {
        onSuccess: (next) => {
          setRevision(next.revision);
          notifications.show({ message: t('openMinutes.kept'), color: 'board' });
        },
      },
    );
  };
  return (
    <Stack component="form" onSubmit={submit} gap="sm">
      <Group gap="xs" align="flex-start">
        {DAYS.map((day) => (
          <NumberInput
            key={day}
            w={82}
            label={t(`day.${day}`)}
            value={minutes[day] ?? 0}
            onChange={(n) => setMinutes({ ...minutes, [day]: n })}
            allowDecimal={false}
            step={30}
            readOnly={!owner}
            error={keep.error instanceof ProblemError && keep.error.field(`minutes.${day}`) !== undefined}
          />
        ))}
      </Group>
      <ProblemNote error={keep.error} />
      {owner && (
        <Group>
          <Button type="submit" variant="default" loading={keep.isPending}>
            {t('openMinutes.keep')}
          </Button>
        </Group>
      )}
    </Stack>
  );
}
