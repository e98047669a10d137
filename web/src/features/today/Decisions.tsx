import { Button, Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { formatDay } from '../../shared/format';
import { OrderLink } from './MorningList';

type Row = Schemas['DecisionRow'];

const WHERE: Record<Row['kind'], (row: Row) => string> = {
  HELD_UP: (row) => `/bench/${row.piece}`,
  TRAY: () => '/orders/deliveries',
  STALE_QUOTE: (row) => `/orders/${row.order}`,
  OUTLIER: () => '/measures/learned',
  DRIFT: () => '/measures/learned',
};

/** What waits for somebody's word, each with where it is said. */
export function Decisions({ rows }: { rows: Row[] }) {
  const { t } = useTranslation();
  return (
    <ul>
      {rows.map((row) => (
        <li key={`${row.kind} ${row.order} ${row.piece}`}>
          <div>
            {row.order !== undefined && (
              <OrderLink order={row.order} reference={row.reference ?? ''} customer={row.customer ?? ''} />
            )}
            <Text size="sm">
              {t(`today.decide.${row.kind}`, {
                count: row.count,
                day: row.since ? formatDay(row.since) : '',
              })}
            </Text>
          </div>
          <Button component={Link} to={WHERE[row.kind](row)} variant="default" mih={44}>
            {t(row.kind === 'HELD_UP' ? 'today.decide' : 'today.look')}
          </Button>
        </li>
      ))}
    </ul>
  );
}
