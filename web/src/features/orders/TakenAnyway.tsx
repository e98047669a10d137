import { Button, Group, Stack, Text, TextInput } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { formatTime } from '../../shared/format';
import { ProblemNote } from '../../shared/ProblemNote';
import { useSession } from '../../shared/session';
import { Verdict } from '../../shared/Verdict';
import { useTakeAnyway } from './queries';

/** A line that a check refuses and that the owner may take all the same; or has, and why. */
export function TakenAnyway({ order, line }: { order: number; line: Schemas['LineView'] }) {
  const { t } = useTranslation();
  const owner = useSession().data?.role === 'OWNER';
  const take = useTakeAnyway(order, line.id);
  const [asked, setAsked] = useState(false);
  const [reason, setReason] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    take.mutate(reason, { onSuccess: () => setAsked(false) });
  };
  if (line.accepted)
    return (
      <Group gap="xs" align="flex-start">
        <Verdict word="TIGHT" />
        <Stack gap={4} align="flex-start">
          <Text size="sm">
            {t('anyway.taken', {
              who: line.accepted.who,
              when: formatTime(line.accepted.at),
              reason: line.accepted.reason,
            })}
          </Text>
          {owner && line.planned === 0 && (
            <Button
              size="compact-sm"
              variant="default"
              loading={take.isPending}
              onClick={() => take.mutate(null)}
            >
              {t('anyway.withdraw')}
            </Button>
          )}
          <ProblemNote error={take.error} />
        </Stack>
      </Group>
    );
  if (!line.acceptable) return null;
  if (!owner) return <Text size="sm">{t('anyway.onlyOwner')}</Text>;
  if (!asked)
    return (
      <Group gap="xs">
        <Text size="sm">{t('anyway.may')}</Text>
        <Button size="compact-sm" variant="default" onClick={() => setAsked(true)}>
          {t('anyway.take')}
        </Button>
      </Group>
    );
  return (
    <Stack component="form" onSubmit={submit} gap="xs" maw={520}>
      <TextInput
        label={t('anyway.reason')}
        description={t('anyway.kept')}
        required
        maxLength={300}
        autoFocus
        value={reason}
        onChange={(e) => setReason(e.currentTarget.value)}
        error={take.error instanceof ProblemError ? take.error.field('reason') : undefined}
      />
      <ProblemNote error={take.error} shown={['reason']} />
      <Group gap="xs">
        <Button type="submit" size="compact-sm" loading={take.isPending} disabled={!reason.trim()}>
          {t('anyway.take')}
        </Button>
        <Button size="compact-sm" variant="subtle" onClick={() => setAsked(false)}>
          {t('anyway.leave')}
        </Button>
      </Group>
    </Stack>
  );
}
