import { Anchor, Button, Stack, Text, Title } from '@mantine/core';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { formatDay } from '../../shared/format';
import { More } from '../../shared/More';
import { Await } from '../../shared/Page';
import { Rescue } from '../../shared/Rescue';
import { lateWords } from '../../shared/risk';
import classes from './BoardView.module.css';
import { type Head, troubledQuery } from './board';

type Order = Schemas['TroubledOrderView'];

interface Props {
  plan: Head;
}

/** Orders that are late, may be late, or of which nothing is planned, and what would help. */
export function Troubled({ plan }: Props) {
  const { t } = useTranslation();
  const orders = useInfiniteQuery(troubledQuery(plan.id));
  const rows = orders.data?.pages.flatMap((page) => page.rows) ?? [];
  return (
    <Stack component="section" className="panel" gap={0} aria-label={t('days.troubled')}>
      <Title order={2} size="h4" p="sm">
        {t('days.troubled')}
      </Title>
      <Await query={orders}>
        {() =>
          rows.length === 0 && (
            <Text size="sm" px="sm" pb="sm">
              {t('days.troubled.none')}
            </Text>
          )
        }
      </Await>
      {rows.map((order) => (
        <Row key={order.order} order={order} />
      ))}
      <More query={orders} />
    </Stack>
  );
}

function Row({ order }: { order: Order }) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  return (
    <div>
      <div className={classes.line}>
        <div>
          <Text size="sm" fw={600}>
            <Anchor component={Link} to={`/orders/${order.order}`} inherit underline="always">
              {order.reference}
            </Anchor>{' '}
            {order.customer}
            {order.must ? ` · ${t('days.must')}` : ''}
          </Text>
          <Text size="sm">
            {order.due ? t('make.due', { day: formatDay(order.due) }) : t('make.noDay')} ·{' '}
            {order.leftOut
              ? t(`days.leftOut.${order.leftOut}`)
              : `${lateWords(t, order.lateChance)} · ${t('days.readyOn', {
                  even: order.even ? formatDay(order.even) : '',
                  sure: order.sure ? formatDay(order.sure) : '',
                })}`}
          </Text>
        </div>
        {order.leftOut === 'NO_CORD' ? (
          <Button component={Link} to="/stock/buy" variant="default">
            {t('days.buy')}
          </Button>
        ) : (
          !order.leftOut && (
            <Button variant="default" onClick={() => setOpen(!open)} aria-expanded={open}>
              {t('days.help')}
            </Button>
          )
        )}
      </div>
      {open && <Rescue order={order} />}
    </div>
  );
}
