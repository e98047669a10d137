import { Button, Group, Stack, Table, Text, Title } from '@mantine/core';
import {
  infiniteQueryOptions,
  keepPreviousData,
  queryOptions,
  useInfiniteQuery,
  useQuery,
} from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import { api, ask, type Schemas } from '../../api/client';
import { Money } from '../../shared/Figures';
import { More } from '../../shared/More';
import { Await, Empty, Page } from '../../shared/Page';
import { PieceChip } from '../../shared/PiecePicture';
import { Verdict } from '../../shared/Verdict';
import classes from './CostsPage.module.css';

export const costsQuery = (batch?: number) =>
  infiniteQueryOptions({
    queryKey: ['costs', 'pieces', batch],
    queryFn: ({ pageParam }) =>
      ask(api.GET('/api/costs', { params: { query: { batch, after: pageParam } } })),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next,
    placeholderData: keepPreviousData,
  });

export const totalsQuery = (batch?: number) =>
  queryOptions({
    queryKey: ['costs', 'totals', batch],
    queryFn: () => ask(api.GET('/api/costs/totals', { params: { query: { batch } } })),
    placeholderData: keepPreviousData,
  });

export const booksQuery = queryOptions({
  queryKey: ['costs', 'books'],
  queryFn: () => ask(api.GET('/api/costs/books')),
});

const PARTS = ['used', 'tails', 'waste', 'hardware'] as const;
/** Of one piece, what its tails are made of. */
const OF_PIECE = ['used', 'planned', 'trimmed', 'scrap', 'waste', 'hardware'] as const;

/** Material cost of one batch, or of all pieces there ever were: estimate against actual, piece by piece. */
export function BatchCosts({ batch }: { batch?: number }) {
  const { t } = useTranslation();
  const [, setAddress] = useSearchParams();
  const costs = useInfiniteQuery(costsQuery(batch));
  const totals = useQuery(totalsQuery(batch));
  const books = useQuery(booksQuery);
  return (
    <Page
      title={t('nav.costs')}
      actions={
        <>
          {batch && (
            <Button variant="default" onClick={() => setAddress({})}>
              {t('costs.allBatches')}
            </Button>
          )}
          <Button
            variant="default"
            component="a"
            href={`/api/costs/pieces.csv${batch ? `?batch=${batch}` : ''}`}
            download
          >
            {t('exportCsv')}
          </Button>
        </>
      }
    >
      <Await query={costs}>
        {(c) =>
          c.pages[0]?.pieces.length === 0 ? (
            <Empty words={t('costs.none')}>
              <Button component={Link} to="/plan">
                {t('cut.toPlan')}
              </Button>
            </Empty>
          ) : (
            <Stack>
              <Await query={totals}>{(all) => <WhereItGoes costs={all} />}</Await>
              <Await query={books}>{(sums) => <Books books={sums} />}</Await>
              <Pieces pieces={c.pages.flatMap((page) => page.pieces)} />
              <More query={costs} />
            </Stack>
          )
        }
      </Await>
    </Page>
  );
}

function WhereItGoes({ costs }: { costs: Schemas['TotalsView'] }) {
  const { t } = useTranslation();
  if (costs.counted === 0) return <Text>{t('costs.nothingCut')}</Text>;
  const scale = Math.max(costs.estimated.total, costs.actual.total, 0.0001);
  return (
    <Stack className="panel" p="md" gap="xs">
      <Title order={2} size="h4">
        {t('costs.where', { count: costs.counted })}
      </Title>
      {(['estimated', 'actual'] as const).map((which) => (
        <div key={which} className={classes.compare}>
          <Text size="sm" fw={600}>
            {t(`costs.${which}`)}
          </Text>
          <div
            className={classes.bar}
            role="img"
            aria-label={PARTS.map((p) => `${t(`cost.${p}`)} ${costs[which][p].toFixed(2)}`).join(', ')}
          >
            {PARTS.map((p) => (
              <span key={p} className={classes[p]} style={{ width: `${(costs[which][p] / scale) * 100}%` }} />
            ))}
          </div>
          <Money value={costs[which].total} strong />
        </div>
      ))}
      <Group gap="lg">
        {PARTS.map((p) => (
          <Group key={p} gap={6}>
            <span className={`${classes.key} ${classes[p]}`} />
            <Text size="sm">
              {t(`cost.${p}`)} <Money value={costs.actual[p]} />
            </Text>
          </Group>
        ))}
      </Group>
    </Stack>
  );
}

function Pieces({ pieces }: { pieces: Schemas['PieceCostView'][] }) {
  const { t } = useTranslation();
  return (
    <Table.ScrollContainer minWidth={980} className="panel">
      <Table verticalSpacing={4} fz="sm">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>{t('costs.piece')}</Table.Th>
            <Table.Th>{t('orders.reference')}</Table.Th>
            <Table.Th>{t('orders.customer')}</Table.Th>
            <Table.Th>{t('costs.batch')}</Table.Th>
            <Table.Th className="right">{t('costs.estimated')}</Table.Th>
            {OF_PIECE.map((p) => (
              <Table.Th key={p} className="right">
                {t(`cost.${p}`)}
              </Table.Th>
            ))}
            <Table.Th className="right">{t('costs.actual')}</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {pieces.map((p) => (
            <Table.Tr key={p.pieceId}>
              <Table.Td>
                <PieceChip lineId={p.lineId} />
              </Table.Td>
              <Table.Td style={{ whiteSpace: 'nowrap' }}>
                {p.reference} #{p.pieceId}
              </Table.Td>
              <Table.Td>{p.customer || t('customers.nameless')}</Table.Td>
              <Table.Td>{p.batchName}</Table.Td>
              <Table.Td className="right">
                <Money value={p.estimate.total} />
              </Table.Td>
              {OF_PIECE.map((part) => (
                <Table.Td key={part} className="right">
                  {p.actual ? <Money value={p.actual[part]} /> : '–'}
                </Table.Td>
              ))}
              <Table.Td className="right">
                {p.actual ? (
                  <Money value={p.actual.total} strong />
                ) : (
                  <span style={{ whiteSpace: 'nowrap' }}>{t('costs.notCut')}</span>
                )}
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Table.ScrollContainer>
  );
}

export function Books({ books }: { books: Schemas['BooksView'] }) {
  const { t } = useTranslation();
  return (
    <Group className="panel" p="md" gap="sm">
      <Verdict word={books.balance ? 'GOOD' : 'NO'} />
      <Text size="sm">
        {t('books.receipts')} <Money value={books.receipts} /> = {t('books.onHand')}{' '}
        <Money value={books.onHand} /> + {t('books.pieces')} <Money value={books.pieces} /> +{' '}
        {t('books.adjusted')} <Money value={books.adjusted} />
        {!books.balance && (
          <>
            {' '}
            {t('books.difference')} <Money value={books.difference} />
          </>
        )}
      </Text>
    </Group>
  );
}
