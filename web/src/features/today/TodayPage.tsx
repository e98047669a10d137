import { Anchor, Button, Stack, Text, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { endangeredQuery } from '../../shared/days';
import { formatDay } from '../../shared/format';
import { Await, Empty, Page, Waiting } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { Rescue } from '../../shared/Rescue';
import { lateWords } from '../../shared/risk';
import { buyFirstQuery, todayQuery } from '../../shared/work';
import { Decisions } from './Decisions';
import { MorningList, OrderLink } from './MorningList';
import classes from './TodayPage.module.css';

const MOST_IN_DANGER = 5;
const MOST_TO_BUY = 5;

/** What must begin first at the top, what is in danger, what waits for a word, and what runs out. */
export default function TodayPage() {
  const { t } = useTranslation();
  const today = useQuery(todayQuery);
  const endangered = useQuery(endangeredQuery);
  const buy = useQuery(buyFirstQuery);
  return (
    <Page title={t('nav.today')}>
      <Await query={today}>
        {(day) =>
          // Together, so that what is in danger pushes nothing down that is read already; what fails beside it hides nothing.
          endangered.isPending || buy.isPending ? (
            <Waiting />
          ) : (
            <>
              <ProblemNote error={endangered.error ?? buy.error} />
              <Morning
                day={day}
                danger={endangered.data?.rows ?? []}
                lines={buy.data?.rows.filter((l) => l.orderBy) ?? []}
              />
            </>
          )
        }
      </Await>
    </Page>
  );
}

interface MorningProps {
  day: Schemas['TodayView'];
  danger: Schemas['TroubledOrderView'][];
  lines: Schemas['BuyLine'][];
}

function Morning({ day, danger, lines }: MorningProps) {
  const { t } = useTranslation();
  const quiet = day.now.length + day.waits.length + day.decide.length + danger.length + lines.length === 0;
  if (quiet) {
    return (
      <Empty words={t('today.nothing')}>
        <Button component={Link} to="/orders/new">
          {t('today.newOrder')}
        </Button>
      </Empty>
    );
  }
  return (
    <div className={classes.page}>
      <Stack gap="md">
        <Panel title={t('today.now')}>
          {day.now.length === 0 ? (
            <Text size="sm" p="sm">
              {t('today.nothingNow')}
            </Text>
          ) : (
            <MorningList rows={day.now} />
          )}
          {day.more > 0 && (
            <Text size="sm" px="sm" pb="sm" c="dimmed">
              {t('today.more', { count: day.more })}
            </Text>
          )}
        </Panel>
        {day.waits.length > 0 && (
          <Panel title={t('today.waits')}>
            <MorningList rows={day.waits} />
          </Panel>
        )}
      </Stack>
      <Stack gap="md">
        {danger.length > 0 && <InDanger rows={danger} />}
        {day.decide.length > 0 && (
          <Panel title={t('today.decisions')} act>
            <Decisions rows={day.decide} />
          </Panel>
        )}
        {lines.length > 0 && <RunsOut lines={lines} />}
      </Stack>
    </div>
  );
}

/** Orders that the plan brings into danger, the likeliest late first, each with what would help. */
function InDanger({ rows }: { rows: Schemas['TroubledOrderView'][] }) {
  const { t } = useTranslation();
  return (
    <Panel title={t('today.danger', { count: rows.length })} act>
      <ul>
        {rows.slice(0, MOST_IN_DANGER).map((order) => (
          <Endangered key={order.order} order={order} />
        ))}
      </ul>
    </Panel>
  );
}

function Endangered({ order }: { order: Schemas['TroubledOrderView'] }) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  return (
    <li className={classes.endangered}>
      <div>
        <OrderLink order={order.order} reference={order.reference} customer={order.customer} />
        <Text size="sm">
          {order.due ? t('make.due', { day: formatDay(order.due) }) : t('make.noDay')} ·{' '}
          {order.leftOut ? t(`days.leftOut.${order.leftOut}`) : lateWords(t, order.lateChance)}
        </Text>
      </div>
      {order.leftOut ? (
        <Button
          component={Link}
          to={order.leftOut === 'NO_CORD' ? '/stock/buy' : '/plan'}
          variant="default"
          mih={44}
        >
          {t(order.leftOut === 'NO_CORD' ? 'days.buy' : 'today.toThePlan')}
        </Button>
      ) : (
        <Button variant="default" mih={44} onClick={() => setOpen(!open)} aria-expanded={open}>
          {t('days.help')}
        </Button>
      )}
      {open && (
        <div className={classes.help}>
          <Rescue order={order} />
        </div>
      )}
    </li>
  );
}

/** What there will not be enough of, with the day by which it must be ordered. */
function RunsOut({ lines }: { lines: Schemas['BuyLine'][] }) {
  const { t } = useTranslation();
  return (
    <Panel title={t('today.runsOut')}>
      <ul>
        {lines.slice(0, MOST_TO_BUY).map((line) => (
          <li key={line.articleId}>
            <div>
              <Anchor component={Link} to={`/stock/articles/${line.code}`} fw={650}>
                {line.code} · {line.name}
              </Anchor>
              <Text size="sm">
                {line.runsOut && `${t('today.runsOut.on', { day: formatDay(line.runsOut) })} · `}
                {t('today.orderBy', { day: formatDay(line.orderBy ?? '') })}
              </Text>
            </div>
            <Button component={Link} to="/stock/buy" variant="default" mih={44}>
              {t('days.buy')}
            </Button>
          </li>
        ))}
      </ul>
    </Panel>
  );
}

function Panel({ title, act, children }: { title: string; act?: boolean; children: ReactNode }) {
  return (
    <Stack component="section" gap={0} className={`panel ${classes.stage}`} data-act={act || undefined}>
      <Title order={2} size="h5" p="sm">
        {title}
      </Title>
      {children}
    </Stack>
  );
}
