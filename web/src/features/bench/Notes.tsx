import { Button, Group, NumberInput, Stack, Text, TextInput } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { formatTime } from '../../shared/format';
import { ProblemNote } from '../../shared/ProblemNote';
import { type Card, useNote, useTakeBackNote } from './queries';
import { spoken } from './words';

const MOST_MINUTES = 1440;
const LONGEST = 400;

/** What was said beside the steps: words, and minutes that no timer counted. */
export function Notes({ card, at }: { card: Card; at: number }) {
  const { t } = useTranslation();
  const [minutes, setMinutes] = useState<number | string>('');
  const [words, setWords] = useState('');
  const note = useNote();
  const takeBack = useTakeBackNote();
  const worked = Math.round(Number(minutes) * 60);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    note.mutate(
      {
        key: crypto.randomUUID(),
        piece: card.piece.id,
        step: Math.min(at, card.steps.length - 1),
        seconds: worked > 0 ? worked : undefined,
        words,
      },
      {
        onSuccess: () => {
          setMinutes('');
          setWords('');
        },
      },
    );
  };
  return (
    <Stack gap="sm">
      {card.notes.map((n) => (
        <Group key={n.id} justify="space-between" wrap="nowrap" gap="xs">
          <Text size="sm" style={{ overflowWrap: 'anywhere' }}>
            {t('make.note.at', { step: n.step + 1, who: n.who, when: formatTime(n.at) })}{' '}
            {n.insteadOf && t(`make.note.${n.insteadOf}`)} {n.words} {n.seconds ? spoken(n.seconds) : ''}
          </Text>
          <Button
            variant="default"
            mih={44}
            style={{ flexShrink: 0 }}
            loading={takeBack.isPending && takeBack.variables === n.id}
            onClick={() => takeBack.mutate(n.id)}
          >
            {t('make.takeBack')}
          </Button>
        </Group>
      ))}
      <ProblemNote error={takeBack.error} />
      <Group component="form" gap="xs" align="flex-end" onSubmit={submit}>
        <TextInput
          size="md"
          style={{ flex: '1 1 12rem' }}
          label={t('make.note.words')}
          maxLength={LONGEST}
          value={words}
          onChange={(e) => setWords(e.currentTarget.value)}
        />
        <NumberInput
          w={150}
          size="md"
          label={t('make.note.minutes')}
          min={0}
          max={MOST_MINUTES}
          value={minutes}
          onChange={setMinutes}
        />
        <Button
          type="submit"
          size="md"
          variant="default"
          loading={note.isPending}
          disabled={!(worked > 0) && words.trim() === ''}
        >
          {t('make.left.keep')}
        </Button>
        <ProblemNote error={note.error} />
      </Group>
    </Stack>
  );
}
