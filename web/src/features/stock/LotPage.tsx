import { Anchor, Button, Stack, Table, Text } from '@mantine/core';
import { infiniteQueryOptions, useInfiniteQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { api, ask } from '../../api/client';
import { formatDay } from '../../shared/format';
import { More } from '../../shared/More';
import { Await, Empty, Page } from '../../shared/Page';
import { useSession } from '../../shared/session';

const recallQuery = (lot: number) =>
  infiniteQueryOptions({
    queryKey: ['stock', 'lot', lot],
    queryFn: ({ pageParam }) =>
      ask(
        api.GET('/api/stock/lots/{lot}/pieces', {
          params: { path: { lot }, query: { after: pageParam || undefined } },
        }),
      ),
    initialPageParam: '',
    getNextPageParam: (page) => page.next,
  });

/** Every piece that holds something of a lot, with its order and customer: for the day on which it turns out to be bad. */
export default function LotPage() {
  const { t } = useTranslation();
  const lot = Number(useParams().lot);
  // Addresses of many customers at once are the owner's to take along.
  const owner = useSession().data?.role === 'OWNER';
  const pieces = useInfiniteQuery(recallQuery(lot));
  const first = pieces.data?.pages[0];
  return (
    <Page
      title={first ? t('lot.title', { lot: first.lot.lot, article: first.lot.article }) : t('lot.one')}
      actions={
        owner && (
          <Button variant="default" component="a" href={`/api/stock/lots/${lot}/pieces.csv`} download>
            {t('exportCsv')}
          </Button>
        )
      }
    >
      <Await query={pieces}>
        {(all) => {
          const rows = all.pages.flatMap((p) => p.rows);
          return (
            <Stack gap="xs">
              <Text size="sm">{t('lot.words')}</Text>
              {rows.length === 0 ? (
                <Empty words={t('lot.none')}>
                  <Button component={Link} to="/stock">
                    {t('nav.stock')}
                  </Button>
                </Empty>
              ) : (
                <Table.ScrollContainer minWidth={720} className="panel">
                  <Table fz="sm" verticalSpacing={4}>
                    <Table.Thead>
                      <Table.Tr>
                        <Table.Th>{t('pieces.piece')}</Table.Th>
                        <Table.Th>{t('pieces.stage')}</Table.Th>
                        <Table.Th>{t('orders.reference')}</Table.Th>
                        <Table.Th>{t('orders.customer')}</Table.Th>
                        <Table.Th>{t('lot.sent')}</Table.Th>
                      </Table.Tr>
                    </Table.Thead>
                    <Table.Tbody>
                      {rows.map((row) => (
                        <Table.Tr key={row.piece}>
                          <Table.Td>#{row.piece}</Table.Td>
                          <Table.Td>{t(`pieces.at.${row.stage}`)}</Table.Td>
                          <Table.Td>
                            <Anchor component={Link} to={`/orders/${row.order}`} inherit underline="always">
                              {row.reference}
                            </Anchor>{' '}
                            {row.line}.{row.number}
                          </Table.Td>
                          <Table.Td>
                            {row.customer || t('customers.nameless')}
                            {row.email && ` · ${row.email}`}
                          </Table.Td>
                          <Table.Td>{row.sentOn ? formatDay(row.sentOn) : '–'}</Table.Td>
                        </Table.Tr>
                      ))}
                    </Table.Tbody>
                  </Table>
                </Table.ScrollContainer>
              )}
              <More query={pieces} />
            </Stack>
          );
        }}
      </Await>
    </Page>
  );
}
