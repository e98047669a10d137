import { Button, Group, NumberInput, Text } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemNote } from '../../shared/ProblemNote';
import { type Card, useSetUp, useTakeBackSetUp } from './queries';
import { spoken } from './words';

const MOST_MINUTES = 1440;

/** How long it took to set the bench up for the batch; said once for all of its pieces. */
export function SetUp({ card }: { card: Card }) {
  const { t } = useTranslation();
  const [minutes, setMinutes] = useState<number | string>('');
  const keep = useSetUp();
  const takeBack = useTakeBackSetUp();
  const kept = card.setUp;
  if (kept) {
    return (
      <Group gap="xs">
        <Text size="sm">{t('make.setUp.kept', { time: spoken(kept.seconds), who: kept.who })}</Text>
        <Button
          variant="default"
          mih={44}
          loading={takeBack.isPending}
          onClick={() => takeBack.mutate(kept.id)}
        >
          {t('make.takeBack')}
        </Button>
        <ProblemNote error={takeBack.error} />
      </Group>
    );
  }
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate({
      key: crypto.randomUUID(),
      piece: card.piece.id,
      seconds: Math.round(Number(minutes) * 60),
    });
  };
  return (
    <Group component="form" gap="xs" align="flex-end" onSubmit={submit}>
      <NumberInput
        w={150}
        size="md"
        label={t('make.setUp')}
        min={0}
        max={MOST_MINUTES}
        value={minutes}
        onChange={setMinutes}
      />
      <Button
        type="submit"
        size="md"
        variant="default"
        loading={keep.isPending}
        disabled={!(Number(minutes) > 0)}
      >
        {t('make.left.keep')}
      </Button>
      <ProblemNote error={keep.error} />
    </Group>
  );
}
