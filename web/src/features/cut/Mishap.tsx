import { Button, Group, Modal, SegmentedControl, Stack, Text } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError } from '../../api/client';
import { useUnits } from '../../app/units';
import { LengthField } from '../../shared/LengthField';
import { ProblemNote } from '../../shared/ProblemNote';
import type { BenchAct } from './queries';

export type MishapKind = 'flaw' | 'ranOut' | 'wrong';

const FIELDS = { flaw: 'at', ranOut: 'left', wrong: 'length' } as const;

interface Props {
  kind: MishapKind;
  error: unknown;
  pending: boolean;
  onAct: (act: BenchAct) => void;
  onClose: () => void;
}

/** What went wrong and where; what is left is planned anew when it is said. */
export function Mishap({ kind, error, pending, onAct, onClose }: Props) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const [length, setLength] = useState('');
  const [choice, setChoice] = useState(kind === 'flaw' ? 'flaw' : 'keep');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (kind === 'flaw') onAct({ act: 'flaw', at: length, join: choice === 'join', units });
    if (kind === 'ranOut') onAct({ act: 'ranOut', left: length, units });
    if (kind === 'wrong') onAct({ act: 'wrong', length, keep: choice === 'keep', units });
  };
  const choices = { flaw: ['flaw', 'join'], ranOut: [], wrong: ['keep', 'bin'] }[kind];
  return (
    <Modal opened onClose={onClose} title={t(`bench.${kind}.title`)} centered>
      <Stack component="form" onSubmit={submit} gap="sm">
        <Text size="sm">{t(`bench.${kind}.words`)}</Text>
        <LengthField
          data-autofocus
          size="lg"
          label={t(`bench.${kind}.length`)}
          value={length}
          onChange={setLength}
          error={error instanceof ProblemError ? error.field(FIELDS[kind]) : undefined}
        />
        {choices.length > 0 && (
          <SegmentedControl
            size="lg"
            aria-label={t(`bench.${kind}.choice`)}
            value={choice}
            onChange={setChoice}
            data={choices.map((value) => ({ value, label: t(`bench.choice.${value}`) }))}
          />
        )}
        <ProblemNote error={error} shown={[FIELDS[kind]]} />
        <Group justify="flex-end">
          <Button variant="default" size="lg" onClick={onClose}>
            {t('bench.back')}
          </Button>
          <Button type="submit" size="lg" loading={pending} disabled={length.trim() === ''}>
            {t('bench.planOn')}
          </Button>
        </Group>
      </Stack>
    </Modal>
  );
}
