import { Button, Group, Modal, NumberInput, Stack, Text } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import type { Schemas } from '../../api/client';
import { ProblemNote } from '../../shared/ProblemNote';
import { useSplit } from './queries';

interface Props {
  order: Schemas['OrderView'];
  opened: boolean;
  onClose: () => void;
}

/** Moves pieces to an order of their own: how many of each line. */
export function SplitForm({ order, opened, onClose }: Props) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const split = useSplit(order.id);
  const [counts, setCounts] = useState<Record<number, number | string>>({});
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const parts = order.lines
      .map((l) => ({ line: l.id, count: Number(counts[l.id]) || 0 }))
      .filter((p) => p.count > 0);
    split.mutate(parts, {
      onSuccess: ({ id }) => {
        onClose();
        navigate(`/orders/${id}`);
      },
    });
  };
  return (
    <Modal opened={opened} onClose={onClose} title={t('split.title')} centered>
      <Stack component="form" onSubmit={submit} gap="sm">
        <Text size="sm">{t('split.words')}</Text>
        {order.lines.map((l) => (
          <Group key={l.id} justify="space-between" wrap="nowrap">
            <Text size="sm">
              {l.quantity} × {l.piece.patternName}
            </Text>
            <NumberInput
              w={100}
              aria-label={t('split.count', { pattern: l.piece.patternName })}
              min={0}
              max={l.quantity}
              allowDecimal={false}
              value={counts[l.id] ?? 0}
              onChange={(n) => setCounts({ ...counts, [l.id]: n })}
            />
          </Group>
        ))}
        <ProblemNote error={split.error} />
        <Button type="submit" loading={split.isPending}>
          {t('split.submit')}
        </Button>
      </Stack>
    </Modal>
  );
}
