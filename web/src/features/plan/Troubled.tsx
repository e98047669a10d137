import { Anchor, Button, Group, Stack, Text, Title } from '@mantine/core';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { formatDay } from '../../shared/format';
import { More } from '../../shared/More';
import { Await } from '../../shared/Page';
import { lateWords } from '../../shared/risk';
import classes from './BoardView.module.css';
import { type Head, type PlanAct, rescueQuery, troubledQuery } from './board';

type Order = Schemas['TroubledOrderView'];

interface Props {
  plan: Head;
  owner: boolean;
  act: (one: PlanAct) => void;
  acting: boolean;
}

/** Orders that are late, may be late, or of which nothing is planned, and what would help. */
export function Troubled({ plan, owner, act, acting }: Props) {
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
        <Row key={order.order} plan={plan} order={order} owner={owner} act={act} acting={acting} />
      ))}
      <More query={orders} />
    </Stack>
  );
}

function Row({ plan, order, owner, act, acting }: Props & { order: Order }) {
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
      {open && <Help plan={plan} order={order} owner={owner} act={act} acting={acting} />}
    </div>
  );
}

function Help({ plan, order, owner, act, acting }: Props & { order: Order }) {
  const { t } = useTranslation();
  const rescue = useQuery(rescueQuery(plan.id, order.order));
  return (
    <Stack px="sm" pb="sm" gap="xs">
      <Await query={rescue}>
        {({ noMinutesHelp, overtime, goesFirst, lateDays }) => (
          <>
            {noMinutesHelp && <Text size="sm">{t('days.help.noMinutes')}</Text>}
            {!noMinutesHelp && lateDays === 0 && <Text size="sm">{t('days.help.inTime')}</Text>}
            {overtime.length > 0 && (
              <Group gap="sm">
                <Text size="sm">
                  {t('days.help.longer', {
                    who: overtime
                      .map((o) =>
                        t('days.help.longer.who', {
                          name: o.name,
                          minutes: o.minutes,
                          day: formatDay(o.day),
                        }),
                      )
                      .join(', '),
                  })}
                </Text>
                {owner && (
                  <Button
                    size="compact-sm"
                    variant="subtle"
                    loading={acting}
                    onClick={() => {
                      for (const { person, day, minutes } of overtime) {
                        act({ act: 'longer', person, body: { day, minutes } });
                      }
                    }}
                  >
                    {t('days.help.longer.do', { count: overtime.length })}
                  </Button>
                )}
              </Group>
            )}
            {goesFirst && (
              <Group gap="sm">
                <Text size="sm">
                  {goesFirst.later.length === 0
                    ? t('days.help.first.free')
                    : t('days.help.first', {
                        orders: goesFirst.later.join(', '),
                        more: goesFirst.more > 0 ? ` +${goesFirst.more}` : '',
                      })}
                </Text>
                {owner && (
                  <Button
                    size="compact-sm"
                    variant="subtle"
                    loading={acting}
                    onClick={() => act({ act: 'first', order: order.order, body: { plan: plan.id } })}
                  >
                    {t('days.help.first.do')}
                  </Button>
                )}
              </Group>
            )}
            {!noMinutesHelp && lateDays > 0 && overtime.length === 0 && !goesFirst && (
              <Text size="sm">{t('days.help.nothing')}</Text>
            )}
            {!order.must && (
              <Group gap="sm">
                <Text size="sm">{t('days.help.must')}</Text>
                <Button
                  size="compact-sm"
                  variant="subtle"
                  loading={acting}
                  onClick={() => act({ act: 'must', order: order.order, body: { must: true } })}
                >
                  {t('days.help.must.do')}
                </Button>
              </Group>
            )}
          </>
        )}
      </Await>
    </Stack>
  );
}
