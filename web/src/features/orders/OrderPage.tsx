import { Button, Group, Stack, Text, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { Length } from '../../shared/Figures';
import { formatDay, formatTime } from '../../shared/format';
import { Await, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { PiecePanel } from '../../shared/piece/PiecePanel';
import { PromiseLine } from '../../shared/piece/PromiseLine';
import { orderQuery, useRemoveOrder } from './queries';

export default function OrderPage() {
  const order = useQuery(orderQuery(Number(useParams().id)));
  return <Await query={order}>{(o) => <Order order={o} />}</Await>;
}

function Order({ order }: { order: Schemas['OrderView'] }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const remove = useRemoveOrder();
  const open = order.lines.some((l) => l.planned < l.quantity);
  const untouched = order.lines.every((l) => l.planned === 0);
  return (
    <Page
      title={t('order.title', { reference: order.reference })}
      actions={
        <>
          {untouched && (
            <Button
              variant="default"
              loading={remove.isPending}
              onClick={() => remove.mutate(order.id, { onSuccess: () => navigate('/orders') })}
            >
              {t('order.remove')}
            </Button>
          )}
          {open && (
            <Button component={Link} to={`/plan?order=${encodeURIComponent(order.reference)}`}>
              {t('order.plan')}
            </Button>
          )}
        </>
      }
    >
      <ProblemNote error={remove.error} />
      <Group gap="xl">
        <Text>{order.customer}</Text>
        <Text>{order.due ? t('order.due', { day: formatDay(order.due) }) : t('order.noDue')}</Text>
        <Text c="dimmed" size="sm">
          {t(`order.by.${order.source === 'FILE' ? 'FILE' : 'FORM'}`, {
            who: order.createdBy,
            when: formatTime(order.createdAt),
          })}
        </Text>
      </Group>
      {open && <PromiseLine promise={order.promise} />}
      {order.lines.map((line) => (
        <Stack key={line.id} component="section" className="panel" p="md" gap="xs">
          <Group justify="space-between">
            <Title order={2} size="h4">
              {line.quantity} × {line.piece.patternName}
              {line.sizeName ? ` · ${line.sizeName}` : ''}
              {line.wristUm !== undefined && (
                <>
                  {' · '}
                  <Length um={line.wristUm} kind="body" />
                </>
              )}
              {line.lengthUm !== undefined && (
                <>
                  {' · '}
                  <Length um={line.lengthUm} kind="body" />
                </>
              )}
            </Title>
            <Text size="sm" c="dimmed">
              {t('order.progress', { planned: line.planned, cut: line.cut, count: line.quantity })}
            </Text>
          </Group>
          {line.matching && <Text size="sm">{t('order.matching')}</Text>}
          {line.note && <Text size="sm">{line.note}</Text>}
          <PiecePanel piece={line.piece} />
        </Stack>
      ))}
    </Page>
  );
}
