import { Box, Button, Group, NumberInput, Stack, Text, TextInput } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { sessionQuery } from '../../shared/session';
import { useKeepWeights, weightsQuery } from './queries';

/** What plans are to save, put as money. */
export function Weights() {
  const { t } = useTranslation();
  const weights = useQuery(weightsQuery);
  return (
    <Box component="details" className="panel" p="sm">
      <summary>{t('weights.title')}</summary>
      <Stack pt="sm" gap="sm">
        <Text size="sm">{t('weights.words')}</Text>
        <Await query={weights}>{(view) => <Fields kept={view.weights} seen={view.revision} />}</Await>
      </Stack>
    </Box>
  );
}

function Fields({ kept, seen }: { kept: Schemas['Weights']; seen: number }) {
  const { t } = useTranslation();
  const session = useQuery(sessionQuery);
  const keep = useKeepWeights();
  const [leftoverPercent, setLeftoverPercent] = useState<number | string>(kept.leftoverPercent);
  const [handling, setHandling] = useState(String(kept.handling));
  const [ageing, setAgeing] = useState(String(kept.ageing));
  const [seconds, setSeconds] = useState<number | string>(kept.seconds);
  const [revision, setRevision] = useState(seen);
  const readOnly = session.data?.role !== 'OWNER';
  const problem = (field: string) =>
    keep.error instanceof ProblemError ? keep.error.field(field) : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(
      { leftoverPercent: Number(leftoverPercent), handling, ageing, seconds: Number(seconds), revision },
      {
        onSuccess: (next) => {
          setRevision(next.revision);
          notifications.show({ message: t('weights.kept'), color: 'board' });
        },
      },
    );
  };
  return (
    <Stack component="form" onSubmit={submit} gap="sm">
      <Group align="flex-start" gap="md">
        <NumberInput
          w={250}
          label={t('weights.leftover')}
          description={t('weights.leftover.words')}
          allowDecimal={false}
          readOnly={readOnly}
          value={leftoverPercent}
          onChange={setLeftoverPercent}
          error={problem('leftoverPercent')}
        />
        <TextInput
          w={250}
          label={t('weights.handling')}
          description={t('weights.handling.words')}
          inputMode="decimal"
          readOnly={readOnly}
          value={handling}
          onChange={(e) => setHandling(e.currentTarget.value)}
          error={problem('handling')}
        />
        <TextInput
          w={250}
          label={t('weights.ageing')}
          description={t('weights.ageing.words')}
          inputMode="decimal"
          readOnly={readOnly}
          value={ageing}
          onChange={(e) => setAgeing(e.currentTarget.value)}
          error={problem('ageing')}
        />
        <NumberInput
          w={250}
          label={t('weights.seconds')}
          description={t('weights.seconds.words')}
          allowDecimal={false}
          readOnly={readOnly}
          value={seconds}
          onChange={setSeconds}
          error={problem('seconds')}
        />
      </Group>
      <ProblemNote error={keep.error} shown={['leftoverPercent', 'handling', 'ageing', 'seconds']} />
      {!readOnly && (
        <Button type="submit" variant="default" w="fit-content" loading={keep.isPending}>
          {t('weights.keep')}
        </Button>
      )}
    </Stack>
  );
}
