import { Anchor, Button, Group, SegmentedControl, Table, Text, TextInput } from '@mantine/core';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { formatDay } from '../../shared/format';
import { Await, Empty, Page } from '../../shared/Page';
import { PieceChip } from '../../shared/PiecePicture';
import { Verdict } from '../../shared/Verdict';
import { ordersQuery } from './queries';

const STATES = ['', 'OPEN', 'PLANNED', 'CUT'];

export default function OrdersPage() {
  const { t } = useTranslation();
  const [address, setAddress] = useSearchParams();
  const query = address.get('query') ?? '';
  const state = address.get('state') ?? '';
  const orders = useInfiniteQuery(ordersQuery(query, state));
  const set = (name: string, value: string) => {
    const next = new URLSearchParams(address);
    if (value) next.set(name, value);
    else next.delete(name);
    setAddress(next, { replace: true });
  };
  return (
    <Page
      title={t('nav.orders')}
      actions={
        <>
          <Button component="a" variant="default" href={`/api/orders/export.csv?${address}`} download>
            {t('exportCsv')}
          </Button>
          <Button component={Link} variant="default" to="/orders/new">
            {t('orders.new')}
          </Button>
          <Button component={Link} to="/orders/import">
            {t('orders.import')}
          </Button>
        </>
      }
    >
      <Group>
        <TextInput
          type="search"
          w={260}
          placeholder={t('orders.search')}
          aria-label={t('orders.search')}
          value={query}
          onChange={(e) => set('query', e.currentTarget.value)}
        />
        <SegmentedControl
          aria-label={t('orders.state')}
          value={state}
          onChange={(s) => set('state', s)}
          data={STATES.map((s) => ({ value: s, label: t(s ? `state.${s}` : 'state.all') }))}
        />
      </Group>
      <Await query={orders}>
        {({ pages }) => {
          const rows = pages.flatMap((p) => p.rows);
          if (rows.length === 0) {
            return (
              <Empty words={query || state ? t('orders.noneFound') : t('orders.none')}>
                {query || state ? (
                  <Button variant="default" onClick={() => setAddress({})}>
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
          return (
            <>
              <OrderTable rows={rows} />
              <Group justify="space-between">
                <Text size="sm" c="dimmed">
                  {t('orders.shown', { shown: rows.length, count: pages[0]?.total ?? 0 })}
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

function OrderTable({ rows }: { rows: Schemas['OrderRow'][] }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  return (
    <Table.ScrollContainer minWidth={640} className="panel">
      <Table highlightOnHover verticalSpacing={6}>
        <Table.Thead>
          <Table.Tr>
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
              <Table.Td w={108}>{o.lineIds[0] !== undefined && <PieceChip lineId={o.lineIds[0]} />}</Table.Td>
              <Table.Td>
                <Anchor component={Link} to={`/orders/${o.id}`} onClick={(e) => e.stopPropagation()}>
                  {o.reference}
                </Anchor>
              </Table.Td>
              <Table.Td maw={260}>
                <Text truncate inherit>
                  {o.customer}
                </Text>
              </Table.Td>
              <Table.Td className="right">
                <span className="figure">{o.pieces}</span>
              </Table.Td>
              <Table.Td>{o.due ? formatDay(o.due) : '–'}</Table.Td>
              <Table.Td>{t(`state.${o.state}`)}</Table.Td>
              <Table.Td>
                <Verdict word={o.verdict} />
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Table.ScrollContainer>
  );
}
