import {
  Alert,
  Anchor,
  Button,
  Checkbox,
  Group,
  NativeSelect,
  ScrollArea,
  SegmentedControl,
  Table,
  Text,
  TextInput,
} from '@mantine/core';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { deliveriesQuery } from '../../shared/deliveries';
import { formatDay } from '../../shared/format';
import { type OrderFilter, ordersQuery } from '../../shared/orders';
import { Await, Empty, Page } from '../../shared/Page';
import { PieceChip } from '../../shared/PiecePicture';
import { ENDANGERED, lateWords } from '../../shared/risk';
import { Verdict } from '../../shared/Verdict';
import { ManyBar } from './ManyBar';
import { QuickEntry } from './QuickEntry';

type State = Schemas['OrderRow']['state'];

/** What people look for: what is to be settled, what is being worked on, what is to be sent. */
const GROUPS: Record<string, State[]> = {
  all: [],
  settle: ['DRAFT', 'QUOTED'],
  work: ['ACCEPTED', 'PLANNED', 'CUTTING', 'MAKING'],
  send: ['FINISHED'],
  sent: ['DISPATCHED'],
  cancelled: ['CANCELLED'],
};
const SORTS = ['NEWEST', 'DUE', 'CUSTOMER'] as const;

/** The list's filter, as the address holds it. */
function filterOf(address: URLSearchParams): OrderFilter {
  return {
    query: address.get('query') ?? undefined,
    states: GROUPS[address.get('show') ?? 'all'],
    from: address.get('from') ?? undefined,
    to: address.get('to') ?? undefined,
    sort: SORTS.find((s) => s === address.get('sort')),
  };
}

export default function OrdersPage() {
  const { t } = useTranslation();
  const [address, setAddress] = useSearchParams();
  const filter = filterOf(address);
  const orders = useInfiniteQuery(ordersQuery(filter));
  const [chosen, setChosen] = useState<number[]>([]);
  const set = (name: string, value: string) => {
    const next = new URLSearchParams(address);
    if (value) next.set(name, value);
    else next.delete(name);
    setChosen([]);
    setAddress(next, { replace: true });
  };
  const filtered = [...address.keys()].some((k) => k !== 'sort');
  const exported = new URLSearchParams(
    Object.entries(filter).flatMap(([k, v]) => (v === undefined || String(v) === '' ? [] : [[k, String(v)]])),
  );
  return (
    <Page
      title={t('nav.orders')}
      actions={
        <>
          <Button component="a" variant="default" href={`/api/orders/export.csv?${exported}`} download>
            {t('exportCsv')}
          </Button>
          <Button component="a" variant="default" href={`/api/orders/export.json?${exported}`} download>
            {t('exportJson')}
          </Button>
          <Button component={Link} variant="default" to="/customers">
            {t('customers.title')}
          </Button>
          <Button component={Link} variant="default" to="/orders/import">
            {t('orders.import')}
          </Button>
          <Button component={Link} variant="default" to="/orders/group">
            {t('group.title')}
          </Button>
          <Button component={Link} to="/orders/new">
            {t('orders.new')}
          </Button>
        </>
      }
    >
      <QuickEntry />
      <InTheTray />
      <Group align="flex-end" gap="sm">
        <TextInput
          type="search"
          w={230}
          label={t('orders.search')}
          placeholder={t('orders.searchHint')}
          value={filter.query ?? ''}
          onChange={(e) => set('query', e.currentTarget.value)}
        />
        <TextInput
          type="date"
          label={t('orders.from')}
          value={filter.from ?? ''}
          onChange={(e) => set('from', e.currentTarget.value)}
        />
        <TextInput
          type="date"
          label={t('orders.to')}
          value={filter.to ?? ''}
          onChange={(e) => set('to', e.currentTarget.value)}
        />
        <NativeSelect
          label={t('orders.sort')}
          data={SORTS.map((s) => ({ value: s, label: t(`orders.sort.${s}`) }))}
          value={filter.sort ?? 'NEWEST'}
          onChange={(e) => set('sort', e.currentTarget.value === 'NEWEST' ? '' : e.currentTarget.value)}
        />
      </Group>
      <ScrollArea type="never">
        <SegmentedControl
          aria-label={t('orders.state')}
          value={address.get('show') ?? 'all'}
          onChange={(s) => set('show', s === 'all' ? '' : s)}
          data={Object.keys(GROUPS).map((g) => ({ value: g, label: t(`orders.show.${g}`) }))}
          w="fit-content"
        />
      </ScrollArea>
      {chosen.length > 0 && <ManyBar chosen={chosen} onDone={() => setChosen([])} />}
      <Await query={orders}>
        {({ pages }) => {
          const rows = pages.flatMap((p) => p.rows);
          if (rows.length === 0) return <Nothing filtered={filtered} onAll={() => setAddress({})} />;
          return (
            <>
              <OrderTable rows={rows} chosen={chosen} onChoose={setChosen} />
              <Group justify="space-between">
                <Text size="sm" c="dimmed">
                  {t((pages[0]?.total ?? 0) > 500 ? 'orders.shownOfMany' : 'orders.shown', {
                    shown: rows.length,
                    count: Math.min(500, pages[0]?.total ?? 0),
                  })}
                </Text>
                {orders.hasNextPage && (
                  <Button
                    variant="default"
                    loading={orders.isFetchingNextPage}
                    onClick={() => orders.fetchNextPage()}
                  >
                    {t('orders.more')}
                  </Button>
                )}
              </Group>
            </>
          );
        }}
      </Await>
    </Page>
  );
}

/** Deliveries that wait for somebody to look at them; nothing when there are none. */
function InTheTray() {
  const { t } = useTranslation();
  const { data } = useQuery(deliveriesQuery(true));
  if (!data?.length) return null;
  return (
    <Alert color="straw" variant="outline" p="sm">
      <Group justify="space-between" gap="sm">
        <Text>
          {t('tray.notice', {
            count: data.length,
            shops: [...new Set(data.map((d) => d.source))].join(', '),
          })}
        </Text>
        <Button component={Link} to="/orders/deliveries" variant="default" size="sm">
          {t('tray.open')}
        </Button>
      </Group>
    </Alert>
  );
}

function Nothing({ filtered, onAll }: { filtered: boolean; onAll: () => void }) {
  const { t } = useTranslation();
  return (
    <Empty words={t(filtered ? 'orders.noneFound' : 'orders.none')}>
      {filtered ? (
        <Button variant="default" onClick={onAll}>
          {t('orders.showAll')}
        </Button>
      ) : (
        <>
          <Button component={Link} to="/orders/import">
            {t('orders.import')}
          </Button>
          <Button component={Link} variant="default" to="/orders/new">
            {t('orders.new')}
          </Button>
        </>
      )}
    </Empty>
  );
}

interface TableProps {
  rows: Schemas['OrderRow'][];
  chosen: number[];
  onChoose: (ids: number[]) => void;
}

function OrderTable({ rows, chosen, onChoose }: TableProps) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const all = rows.every((o) => chosen.includes(o.id));
  return (
    <Table.ScrollContainer minWidth={640} className="panel">
      <Table highlightOnHover verticalSpacing={6}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th w={36}>
              <Checkbox
                aria-label={t('many.chooseAll')}
                checked={all}
                indeterminate={!all && chosen.length > 0}
                onChange={() => onChoose(all ? [] : rows.map((o) => o.id))}
              />
            </Table.Th>
            <Table.Th>{t('orders.pieceColumn')}</Table.Th>
            <Table.Th>{t('orders.reference')}</Table.Th>
            <Table.Th>{t('orders.customer')}</Table.Th>
            <Table.Th className="right">{t('orders.pieces')}</Table.Th>
            <Table.Th>{t('orders.due')}</Table.Th>
            <Table.Th>{t('orders.state')}</Table.Th>
            <Table.Th>{t('orders.verdict')}</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {rows.map((o) => (
            <Table.Tr key={o.id} onClick={() => navigate(`/orders/${o.id}`)} style={{ cursor: 'pointer' }}>
              <Table.Td onClick={(e) => e.stopPropagation()}>
                <Checkbox
                  aria-label={t('many.choose', { reference: o.reference })}
                  checked={chosen.includes(o.id)}
                  onChange={(e) =>
                    onChoose(e.currentTarget.checked ? [...chosen, o.id] : chosen.filter((id) => id !== o.id))
                  }
                />
              </Table.Td>
              <Table.Td w={108}>{o.lineIds[0] !== undefined && <PieceChip lineId={o.lineIds[0]} />}</Table.Td>
              <Table.Td>
                <Anchor component={Link} to={`/orders/${o.id}`} onClick={(e) => e.stopPropagation()}>
                  {o.reference}
                </Anchor>
              </Table.Td>
              <Table.Td maw={260}>
                <Text truncate inherit>
                  {o.customer || t('customers.nameless')}
                </Text>
              </Table.Td>
              <Table.Td className="right">
                <span className="figure">{o.pieces}</span>
              </Table.Td>
              <Table.Td>{o.due ? formatDay(o.due) : '–'}</Table.Td>
              <Table.Td>
                {t(`state.${o.state}`)}
                <Progress order={o} />
              </Table.Td>
              <Table.Td>
                <Verdict word={o.verdict} />
                {o.lateChance !== undefined && o.lateChance >= ENDANGERED && (
                  <Text size="xs">{lateWords(t, o.lateChance)}</Text>
                )}
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Table.ScrollContainer>
  );
}

/** How far its pieces are, where some are further than others. */
function Progress({ order }: { order: Schemas['OrderRow'] }) {
  const { t } = useTranslation();
  const far: Partial<Record<State, number>> = {
    PLANNED: order.planned,
    CUTTING: order.cut,
    MAKING: order.made,
    FINISHED: order.dispatched,
  };
  const count = far[order.state] ?? 0;
  if (count === 0 || count === order.pieces) return null;
  return (
    <Text size="xs" c="dimmed">
      {t(`orders.far.${order.state}`, { count, pieces: order.pieces })}
    </Text>
  );
}
