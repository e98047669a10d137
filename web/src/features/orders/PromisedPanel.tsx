import { Button, Group, Stack, Switch, Text, TextInput, Title } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { formatDay } from '../../shared/format';
import { ProblemNote } from '../../shared/ProblemNote';
import { useSession } from '../../shared/session';
import { useMust, usePromise } from './queries';

const OVER = ['FINISHED', 'DISPATCHED', 'CANCELLED'];

/** The day that the customer was promised; it is proposed by the plan, named by the owner, and moved only with a reason. */
export function PromisedPanel({ order }: { order: Schemas['OrderView'] }) {
  const { t } = useTranslation();
  const { data: session } = useSession();
  const promise = usePromise(order.id);
  const must = useMust(order.id);
  const [day, setDay] = useState(order.promised ?? '');
  const [reason, setReason] = useState('');
  const problem = (field: string) =>
    promise.error instanceof ProblemError ? promise.error.field(field) : undefined;
  if (OVER.includes(order.state)) return null;
  const moves = order.promised !== undefined && day !== order.promised;
  return (
    <Stack component="section" className="panel" p="md" gap="xs" aria-label={t('promised.title')}>
      <Group justify="space-between" gap="sm">
        <div>
          <Title order={2} size="h4">
            {t('promised.title')}
          </Title>
          <Text size="sm">
            {order.promised ? t('promised.is', { day: formatDay(order.promised) }) : t('promised.none')}
          </Text>
        </div>
        <Switch
          label={t('promised.must')}
          checked={order.must}
          disabled={must.isPending}
          onChange={(e) => must.mutate(e.currentTarget.checked)}
        />
      </Group>
      {session?.role === 'OWNER' && (
        <Group gap="sm" align="flex-end">
          <TextInput
            type="date"
            label={t('promised.day')}
            value={day}
            onChange={(e) => setDay(e.currentTarget.value)}
            error={problem('day')}
          />
          {order.promise.planned && order.promise.last && (
            <Button variant="default" onClick={() => setDay(order.promise.last ?? '')}>
              {t('promised.sure', { day: formatDay(order.promise.last) })}
            </Button>
          )}
          {order.promise.planned && order.promise.inTurn && (
            <Button variant="default" onClick={() => setDay(order.promise.inTurn ?? '')}>
              {t('promised.even', { day: formatDay(order.promise.inTurn) })}
            </Button>
          )}
          {moves && (
            <TextInput
              label={t('promised.reason')}
              value={reason}
              onChange={(e) => setReason(e.currentTarget.value)}
              error={problem('reason')}
              maxLength={400}
            />
          )}
          <Button
            disabled={day === '' || day === order.promised}
            loading={promise.isPending}
            onClick={() =>
              promise.mutate(
                { day, reason: reason === '' ? undefined : reason },
                {
                  onSuccess: () => {
                    setReason('');
                    notifications.show({ message: t('promised.kept'), color: 'board' });
                  },
                },
              )
            }
          >
            {t(order.promised ? 'promised.move' : 'promised.do')}
          </Button>
        </Group>
      )}
      <ProblemNote error={promise.error ?? must.error} />
    </Stack>
  );
}
