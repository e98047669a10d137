import { Anchor, Badge, Button, Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate } from 'react-router';
import type { Schemas } from '../../api/client';
import { useTakeInHand } from '../../shared/bench';
import { formatDay, formatTime } from '../../shared/format';
import { ProblemNote } from '../../shared/ProblemNote';
import { usePackAll } from '../../shared/pieces';
import { usePropose } from '../../shared/work';
import classes from './TodayPage.module.css';

type Row = Schemas['MorningRow'];

/** Pieces of orders with what is done next, each with the act itself. On a phone only what is one's own to do. */
export function MorningList({ rows }: { rows: Row[] }) {
  return (
    <ul>
      {rows.map((row) => (
        <li
          key={`${row.order} ${row.doing} ${row.inHand} ${row.open} ${row.until}`}
          data-others={!row.mine || undefined}
          className={classes.row}
        >
          <Doing row={row} />
        </li>
      ))}
    </ul>
  );
}

function Doing({ row }: { row: Row }) {
  const { t } = useTranslation();
  const waits = row.until !== undefined || row.missing > 0;
  return (
    <>
      <Badge variant="outline" color={waits ? 'straw' : 'board'} size="lg" radius="sm" tt="none">
        {t(`today.doing.${row.doing}`)}
      </Badge>
      <div>
        <OrderLink order={row.order} reference={row.reference} customer={row.customer} />
        <Text size="sm">
          {t('make.pieces', { count: row.pieces })} · {row.patternName}
          {row.inHand && ` · ${t('today.inHand')}`}
        </Text>
      </div>
      <div>
        <Text size="sm" fw={row.late ? 650 : undefined}>
          {row.until
            ? t('today.dryAt', { when: formatTime(row.until) })
            : row.missing > 0
              ? t('today.missing', { count: row.missing })
              : startWords(t, row)}
        </Text>
        <Text size="sm" c="dimmed">
          {row.due ? t('today.leaves', { day: formatDay(row.due) }) : t('finished.anyDay')}
        </Text>
      </div>
      <Act row={row} waits={waits} />
    </>
  );
}

function startWords(t: ReturnType<typeof useTranslation>['t'], row: Row): string {
  if (!row.startBy) return t('today.anyDay');
  return t(row.late ? 'today.hadToStart' : 'today.startBy', { day: formatDay(row.startBy) });
}

function Act({ row, waits }: { row: Row; waits: boolean }) {
  const { t } = useTranslation();
  const go = (to: string, words: string) => (
    <Button component={Link} to={to} variant="default" mih={44}>
      {words}
    </Button>
  );
  if (waits) return go(`/finished/${row.order}`, t(row.missing > 0 ? 'today.sendPart' : 'today.look'));
  switch (row.doing) {
    case 'SEND':
      return go(`/finished/${row.order}`, t('today.send'));
    case 'PACK':
      return <Pack row={row} />;
    case 'CHECK':
      return go(`/bench/${row.piece}`, t('today.check'));
    case 'TIE':
      return row.inHand ? go(`/bench/${row.piece}`, t('make.goOn')) : <Take row={row} />;
    case 'CUT':
      if (row.open) {
        return row.planned
          ? go('/cut', t('today.byPlan'))
          : go(`/plan?order=${encodeURIComponent(row.reference)}`, t('today.plan'));
      }
      return row.cutList ? go(`/cut/${row.cutList}`, t('today.cut')) : <PlanCuts row={row} />;
  }
}

function Pack({ row }: { row: Row }) {
  const { t } = useTranslation();
  const pack = usePackAll(row.order);
  return (
    <div>
      <Button mih={44} variant="default" loading={pack.isPending} onClick={() => pack.mutate()}>
        {t('today.pack')}
      </Button>
      <ProblemNote error={pack.error} />
    </div>
  );
}

function Take({ row }: { row: Row }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const take = useTakeInHand();
  return (
    <div>
      <Button
        mih={44}
        variant="default"
        loading={take.isPending}
        onClick={() => take.mutate([row.piece], { onSuccess: () => navigate(`/bench/${row.piece}`) })}
      >
        {t('today.take')}
      </Button>
      <ProblemNote error={take.error} />
    </div>
  );
}

function PlanCuts({ row }: { row: Row }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const propose = usePropose();
  return (
    <div>
      <Button
        mih={44}
        variant="default"
        loading={propose.isPending}
        disabled={row.batch === undefined}
        onClick={() => propose.mutate([row.batch ?? 0], { onSuccess: ({ id }) => navigate(`/cut/${id}`) })}
      >
        {t('today.planCuts')}
      </Button>
      <ProblemNote error={propose.error} />
    </div>
  );
}

export function OrderLink({
  order,
  reference,
  customer,
}: {
  order: number;
  reference: string;
  customer: string;
}) {
  return (
    <Anchor component={Link} to={`/orders/${order}`} fw={650}>
      {reference} · {customer}
    </Anchor>
  );
}
