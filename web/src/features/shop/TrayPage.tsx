import { Button, Group, SegmentedControl, Stack, Text } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { deliveriesQuery } from '../../shared/deliveries';
import { formatTime } from '../../shared/format';
import { Await, Empty, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { useSetAside } from './queries';
import classes from './TrayPage.module.css';

type Delivery = Schemas['DeliveryView'];

/** What shops delivered by themselves: what waits for somebody to look at it, or all of it. */
export default function TrayPage() {
  const { t } = useTranslation();
  const [address, setAddress] = useSearchParams();
  const all = address.get('show') === 'all';
  const deliveries = useQuery(deliveriesQuery(!all));
  const aside = useSetAside();
  const lay = (d: Delivery, away: boolean) =>
    aside.mutate(
      { id: d.id, aside: away },
      {
        onSuccess: () =>
          notifications.show({ message: t(away ? 'tray.laidAside' : 'tray.laidBack'), color: 'board' }),
      },
    );
  return (
    <Page
      title={t('tray.title')}
      actions={
        <Button component={Link} to="/orders" variant="default">
          {t('tray.orders')}
        </Button>
      }
    >
      <SegmentedControl
        w="fit-content"
        aria-label={t('tray.which')}
        value={all ? 'all' : 'waiting'}
        onChange={(show) => setAddress(show === 'all' ? { show } : {}, { replace: true })}
        data={[
          { value: 'waiting', label: t('tray.waiting') },
          { value: 'all', label: t('tray.all') },
        ]}
      />
      <ProblemNote error={aside.error} />
      <Await query={deliveries}>
        {(rows) =>
          rows.length === 0 ? (
            <Empty words={t(all ? 'tray.none' : 'tray.nothingWaits')}>
              {all && (
                <Button component={Link} to="/workshop" variant="default">
                  {t('tray.letIn')}
                </Button>
              )}
            </Empty>
          ) : (
            <Stack gap="xs">
              {rows.map((d) => (
                <DeliveryCard key={d.id} delivery={d} busy={aside.isPending} onAside={(a) => lay(d, a)} />
              ))}
            </Stack>
          )
        }
      </Await>
    </Page>
  );
}

const SHOWN = 3;

interface DeliveryProps {
  delivery: Delivery;
  busy: boolean;
  onAside: (aside: boolean) => void;
}

function DeliveryCard({ delivery: d, busy, onAside }: DeliveryProps) {
  const { t } = useTranslation();
  const open = d.state === 'WAITING';
  return (
    <Group className="panel" p="sm" justify="space-between" align="flex-start" wrap="wrap" gap="sm">
      <Stack gap={4} flex={1} miw={260}>
        <Group gap="sm">
          <Text fw={600}>{t(`delivery.${d.state}`)}</Text>
          <Text>{d.references.slice(0, 5).join(', ') + (d.references.length > 5 ? ' …' : '')}</Text>
          <Text size="sm" c="dimmed">
            {t('tray.from', { source: d.source, sent: formatTime(d.sentAt) })}
            {d.times > 1 && ` · ${t('tray.times', { times: d.times })}`}
          </Text>
        </Group>
        {d.reasons.slice(0, SHOWN).map((r) => (
          <Text
            key={`${r.row}${r.problem.field}${r.problem.code}`}
            size="sm"
            lineClamp={2}
            className={classes.reason}
          >
            <b>{r.row > 0 ? t('tray.row', { row: r.row, field: r.problem.field }) : t('tray.whole')}</b>{' '}
            {r.problem.message} {r.problem.remedy}
          </Text>
        ))}
        {d.reasons.length > SHOWN && (
          <Text size="sm">{t('tray.more', { count: d.reasons.length - SHOWN })}</Text>
        )}
        {d.superseded && (
          <Text size="sm" c="var(--act)">
            {t('tray.superseded')}
          </Text>
        )}
        {d.settledBy && d.settledAt && (
          <Text size="sm" c="dimmed">
            {t('tray.settled', { who: d.settledBy, at: formatTime(d.settledAt) })}
          </Text>
        )}
      </Stack>
      {(open || d.state === 'SET_ASIDE') && (
        <Group gap="xs">
          {open && (
            <Button component={Link} to={`/orders/import?delivery=${d.id}`}>
              {t('tray.look')}
            </Button>
          )}
          <Button variant="default" disabled={busy} onClick={() => onAside(open)}>
            {t(open ? 'tray.setAside' : 'tray.back')}
          </Button>
        </Group>
      )}
    </Group>
  );
}
