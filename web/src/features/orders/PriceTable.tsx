import { Anchor, Button, Group, Stack, Table, Text, Title } from '@mantine/core';
import { useClipboard } from '@mantine/hooks';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { Money } from '../../shared/Figures';
import { formatDay, formatTime } from '../../shared/format';
import { quoteTextQuery } from './queries';

const PARTS = ['material', 'labour', 'margin', 'fees', 'rounding', 'off'] as const;

/** Whether it made other pieces of the order than those that a price was named for; who it is for does not matter. */
const ofPieces = ({ what, detail }: Schemas['EventView']) =>
  what === 'SPLIT' ||
  what === 'CANCELLED_REST' ||
  (what === 'CHANGED' && (detail.fields ?? '').includes('line'));

/** What the order costs: what was named to the customer, or what it would cost today. */
export function PriceTable({ order }: { order: Schemas['OrderView'] }) {
  const { t } = useTranslation();
  const [today, setToday] = useState(false);
  const quote = order.quote;
  const changed = quote !== undefined && order.history.some((e) => ofPieces(e) && e.at > quote.at);
  const price = today || !quote ? order.price : quote.price;
  const parts = PARTS.filter((part) => price.lines.some((line) => line[part] !== 0));
  return (
    <Stack className="panel" p="md" gap="xs">
      <Group justify="space-between">
        <Title order={2} size="h4">
          {quote && !today ? t('price.quote', { number: quote.number }) : t('price.today')}
        </Title>
        <Group gap="xs">
          {quote && (
            <>
              <Button size="compact-sm" variant="subtle" onClick={() => setToday(!today)}>
                {t(today ? 'price.seeQuote' : 'price.seeToday')}
              </Button>
              <Button
                size="compact-sm"
                variant="default"
                component="a"
                href={`/api/orders/${order.id}/quote.pdf`}
                target="_blank"
              >
                {t('price.pdf')}
              </Button>
              <CopyMessage order={order.id} />
            </>
          )}
          <Anchor component={Link} to="/workshop" size="sm">
            {t('price.rules')}
          </Anchor>
        </Group>
      </Group>
      {quote && !today && (
        <Text size="sm" c="dimmed">
          {quote.acceptedAt
            ? t('price.accepted', { when: formatTime(quote.acceptedAt), who: quote.who })
            : t('price.named', {
                when: formatTime(quote.at),
                who: quote.who,
                until: formatDay(quote.validUntil),
              })}
        </Text>
      )}
      {quote?.ended && !today && (
        <Text size="sm" c="var(--act)">
          {t('price.ended')}
        </Text>
      )}
      {changed && (
        <Text size="sm" c="var(--act)">
          {t('price.changed')} <Money value={order.price.gross} strong />
        </Text>
      )}
      <Table.ScrollContainer minWidth={760}>
        <Table fz="sm" verticalSpacing={4} horizontalSpacing={8}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('price.line')}</Table.Th>
              {parts.map((part) => (
                <Table.Th key={part} className="right">
                  {t(`price.${part}`)}
                </Table.Th>
              ))}
              <Table.Th className="right">{t('price.each')}</Table.Th>
              <Table.Th className="right">{t('price.total')}</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {price.lines.map((line) => (
              <Table.Tr key={line.line}>
                <Table.Td>
                  {line.quantity} × {line.patternName}
                </Table.Td>
                {parts.map((part) => (
                  <Table.Td key={part} className="right">
                    <Money value={line[part]} />
                  </Table.Td>
                ))}
                <Table.Td className="right">
                  <Money value={line.each} strong />
                </Table.Td>
                <Table.Td className="right">
                  <Money value={line.total} strong />
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      </Table.ScrollContainer>
      <Group justify="flex-end" gap="lg">
        {price.tax > 0 && (
          <Text size="sm" c="dimmed">
            {t(price.taxIncluded ? 'price.taxIn' : 'price.taxOn', { percent: price.taxPercent })}{' '}
            <Money value={price.tax} />
          </Text>
        )}
        <Text fw={600}>
          {t('price.gross')} <Money value={price.gross} strong />
        </Text>
      </Group>
    </Stack>
  );
}

/** The quote as a text to send, to be copied. */
function CopyMessage({ order }: { order: number }) {
  const { t } = useTranslation();
  const text = useQuery(quoteTextQuery(order));
  const clipboard = useClipboard();
  return (
    <Button
      size="compact-sm"
      variant="default"
      disabled={text.data === undefined}
      onClick={() => clipboard.copy(text.data)}
    >
      {t(clipboard.copied ? 'price.copied' : 'price.copy')}
    </Button>
  );
}
