import { Anchor, Button, Group, Stack, Text, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { endangeredQuery } from '../../shared/days';
import { formatDay, formatTime } from '../../shared/format';
import { Await, Empty, Page } from '../../shared/Page';
import { lateWords } from '../../shared/risk';
import { todayQuery, waitingQuery } from '../../shared/work';
import classes from './TodayPage.module.css';

const MOST_IN_DANGER = 5;

type Stage = Schemas['StageView'];
type Row = Schemas['WaitingOrder'];

/** What waits at each stage, what is wanted first at the top, and what to do about it. */
export default function TodayPage() {
  const { t } = useTranslation();
  const today = useQuery(todayQuery);
  const endangered = useQuery(endangeredQuery);
  const waiting = useQuery(waitingQuery);
  return (
    <Page title={t('nav.today')}>
      <Await query={today}>
        {(day) => (
          // Together, so that what is in danger pushes nothing down that is read already.
          <Await query={endangered}>
            {(danger) => <Morning day={day} danger={danger.rows} toPlan={waiting.data?.openPieces ?? 0} />}
          </Await>
        )}
      </Await>
    </Page>
  );
}

interface MorningProps {
  day: Schemas['TodayView'];
  danger: Schemas['TroubledOrderView'][];
  toPlan: number;
}

function Morning({ day, danger, toPlan }: MorningProps) {
  const { t } = useTranslation();
  const stages = [day.heldUp, day.mine, day.toMake, day.toCut, day.drying, day.made];
  if (toPlan === 0 && day.late.orders === 0 && stages.every((s) => s.pieces === 0)) {
    return (
      <Empty words={t('today.nothing')}>
        <Button component={Link} to="/orders/new">
          {t('today.newOrder')}
        </Button>
      </Empty>
    );
  }
  const made = day.checks ? 'today.made.check' : day.packs ? 'today.made.pack' : 'today.made.send';
  return (
    <div className={classes.page}>
      {day.late.orders > 0 && (
        <Panel title={t('today.late', { count: day.late.orders })} to="/orders" do={t('today.toOrders')} act>
          {day.late.first.map((o) => (
            <li key={o.order}>
              <div>
                <OrderLink order={o.order} reference={o.reference} customer={o.customer} />
                <Text size="sm">
                  {t('today.wanted', { day: formatDay(o.due) })} · {t('today.notMade', { count: o.pieces })}
                </Text>
              </div>
            </li>
          ))}
        </Panel>
      )}
      <InDanger rows={danger} />
      <StagePanel
        title="today.heldUp"
        stage={day.heldUp}
        to={(row) => `/bench/${row.piece}`}
        go={t('today.decide')}
        all="/bench"
        more={t('today.toBench')}
        act
      />
      <StagePanel
        title="today.mine"
        stage={day.mine}
        to={(row) => `/bench/${row.piece}`}
        go={t('make.goOn')}
        all="/bench"
        more={t('today.toBench')}
      />
      <StagePanel
        title="today.toMake"
        stage={day.toMake}
        to={() => '/bench'}
        go={t('today.make')}
        all="/bench"
        more={t('today.toBench')}
      />
      <StagePanel
        title="today.toCut"
        stage={day.toCut}
        to={() => '/cut'}
        go={t('today.cut')}
        all="/cut"
        more={t('make.toCut')}
      />
      {toPlan > 0 && (
        <Panel title={t('today.toPlan', { count: toPlan })} to="/plan" do={t('today.plan')}>
          <li>
            <Text size="sm">{t('today.toPlan.words')}</Text>
          </li>
        </Panel>
      )}
      <StagePanel title="today.drying" stage={day.drying} to={orderOf} go={t('today.look')} all="/orders" />
      <StagePanel title={made} stage={day.made} to={orderOf} go={t('today.look')} all="/orders" />
    </div>
  );
}

/** Orders that the plan brings into danger, the likeliest late first. */
function InDanger({ rows }: { rows: Schemas['TroubledOrderView'][] }) {
  const { t } = useTranslation();
  if (rows.length === 0) return null;
  return (
    <Panel title={t('today.danger', { count: rows.length })} to="/plan" do={t('today.toThePlan')} act>
      {rows.slice(0, MOST_IN_DANGER).map((o) => (
        <li key={o.order}>
          <div>
            <OrderLink order={o.order} reference={o.reference} customer={o.customer} />
            <Text size="sm">
              {o.due ? t('make.due', { day: formatDay(o.due) }) : t('make.noDay')} ·{' '}
              {o.leftOut ? t(`days.leftOut.${o.leftOut}`) : lateWords(t, o.lateChance)}
            </Text>
          </div>
        </li>
      ))}
    </Panel>
  );
}

const orderOf = (row: Row) => `/orders/${row.order}`;

interface StageProps {
  title: string;
  stage: Stage;
  to: (row: Row) => string;
  go: string;
  all: string;
  more?: string;
  act?: boolean;
}

function StagePanel({ title, stage, to, go, all, more, act }: StageProps) {
  const { t } = useTranslation();
  if (stage.pieces === 0) return null;
  return (
    <Panel title={t(title, { count: stage.pieces })} to={all} do={more} act={act}>
      {stage.first.map((row) => (
        <li key={row.order}>
          <div>
            <OrderLink order={row.order} reference={row.reference} customer={row.customer} />
            <Text size="sm">
              {t('make.pieces', { count: row.pieces })} · {row.patternName} ·{' '}
              {row.due ? t('make.due', { day: formatDay(row.due) }) : t('make.noDay')}
              {row.until ? ` · ${t('today.dryAt', { when: formatTime(row.until) })}` : ''}
            </Text>
          </div>
          <Button component={Link} to={to(row)} variant="default" mih={44}>
            {go}
          </Button>
        </li>
      ))}
    </Panel>
  );
}

interface PanelProps {
  title: string;
  to: string;
  do: string | undefined;
  act?: boolean | undefined;
  children: ReactNode;
}

function Panel({ title, to, do: words, act, children }: PanelProps) {
  return (
    <Stack component="section" gap={0} className={`panel ${classes.stage}`} data-act={act || undefined}>
      <Group justify="space-between" p="sm">
        <Title order={2} size="h5">
          {title}
        </Title>
        {words && (
          <Anchor component={Link} to={to} size="sm">
            {words}
          </Anchor>
        )}
      </Group>
      <ul>{children}</ul>
    </Stack>
  );
}

function OrderLink({ order, reference, customer }: { order: number; reference: string; customer: string }) {
  return (
    <Anchor component={Link} to={`/orders/${order}`} fw={650}>
      {reference} · {customer}
    </Anchor>
  );
}
