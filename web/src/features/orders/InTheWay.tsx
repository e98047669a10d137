import { Group, List, Stack, Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { useAmount } from '../../shared/amount';
import { PromiseLine } from '../../shared/piece/PromiseLine';
import { Verdict } from '../../shared/Verdict';

/** What stands in the way of the whole order: its day, what is short for all its pieces, lines that cannot be made. */
export function InTheWay({ order }: { order: Schemas['OrderView'] }) {
  const { t } = useTranslation();
  const amount = useAmount();
  if (['FINISHED', 'DISPATCHED', 'CANCELLED'].includes(order.state)) return null;
  const bad = order.lines.filter((l) =>
    l.piece.checks.some((c) => c.verdict === 'NO' && !OF_STOCK.includes(c.code)),
  );
  return (
    <Stack className="panel" p="md" gap="xs">
      <PromiseLine promise={order.promise} />
      {order.shortages.length === 0 && bad.length === 0 ? (
        <Group gap="xs">
          <Verdict word="GOOD" />
          <Text size="sm">{t('inTheWay.nothing')}</Text>
        </Group>
      ) : (
        <Group gap="xs" align="flex-start" wrap="nowrap">
          <Verdict word="NO" />
          <List size="sm">
            {order.shortages.map((s) => (
              <List.Item key={s.code}>
                {t('inTheWay.short', {
                  article: `${s.code} ${s.name}`,
                  needed: amount(s.needed, s.unit),
                  free: amount(s.free, s.unit),
                  onHand: amount(s.onHand, s.unit),
                })}
              </List.Item>
            ))}
            {bad.map((l) => (
              <List.Item key={l.id}>
                {t('inTheWay.line', { count: l.quantity, pattern: l.piece.patternName })}
              </List.Item>
            ))}
          </List>
        </Group>
      )}
    </Stack>
  );
}

const OF_STOCK = ['stock', 'lot', 'lot.set', 'hardware'];
