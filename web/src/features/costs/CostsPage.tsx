import { Anchor, Button, Group, NativeSelect, Stack, Text, TextInput, Title } from '@mantine/core';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { Money } from '../../shared/Figures';
import { formatDay } from '../../shared/format';
import { More } from '../../shared/More';
import { Await, Empty, Page } from '../../shared/Page';
import { useSession } from '../../shared/session';
import { BatchCosts, Books, booksQuery } from './BatchCosts';
import { CostBar, Parts } from './CostBar';
import { Earnings } from './Earnings';
import { type Asked, type By, sumsQuery } from './queries';
import { SumsTable } from './SumsTable';

const VIEWS: By[] = ['PATTERN', 'CUSTOMER', 'ORDER', 'LINE', 'PIECE', 'BATCH', 'ARTICLE', 'MONTH', 'MAKER'];

/** What pieces cost in some days, by whatever one wants to see it by; each figure opens down to its rows. */
export default function CostsPage() {
  const [address] = useSearchParams();
  const batch = Number(address.get('batch')) || undefined;
  return batch ? <BatchCosts batch={batch} /> : <Sums />;
}

function Sums() {
  const { t } = useTranslation();
  const [address, setAddress] = useSearchParams();
  const by = (address.get('by') ?? 'PATTERN') as By;
  const within = (address.get('within') ?? undefined) as By | undefined;
  const asked: Asked = {
    by,
    from: address.get('from') ?? undefined,
    to: address.get('to') ?? undefined,
    within,
    key: within ? (address.get('key') ?? '') : undefined,
  };
  const owner = useSession().data?.role === 'OWNER';
  const sums = useInfiniteQuery(sumsQuery(asked));
  const books = useQuery(booksQuery);
  const first = sums.data?.pages[0];
  const go = (change: Record<string, string | undefined>) => {
    const next = new URLSearchParams(address);
    for (const [name, value] of Object.entries(change)) {
      if (value === undefined || value === '') next.delete(name);
      else next.set(name, value);
    }
    setAddress(next);
  };
  return (
    <Page
      title={t('nav.costs')}
      actions={
        <Button variant="default" component="a" href={`/api/costs/sums.csv?${csvOf(asked)}`} download>
          {t('exportCsv')}
        </Button>
      }
    >
      <Group gap="sm" align="flex-end">
        <NativeSelect
          label={t('costs.by')}
          value={by}
          onChange={(e) => go({ by: e.currentTarget.value })}
          data={VIEWS.filter((v) => (v !== 'MAKER' || owner) && (v !== 'ARTICLE' || !within)).map((v) => ({
            value: v,
            label: t(`costs.by.${v}`),
          }))}
        />
        <TextInput
          type="date"
          label={t('costs.from')}
          value={asked.from ?? first?.from ?? ''}
          onChange={(e) => go({ from: e.currentTarget.value })}
        />
        <TextInput
          type="date"
          label={t('costs.to')}
          value={asked.to ?? first?.to ?? ''}
          onChange={(e) => go({ to: e.currentTarget.value })}
          error={sums.error instanceof ProblemError ? sums.error.field('to') : undefined}
        />
        {within && (
          <Button
            variant="default"
            onClick={() => go({ within: undefined, key: undefined, name: undefined })}
          >
            {t('costs.all', { of: t(`costs.by.${within}`), name: address.get('name') ?? '' })}
          </Button>
        )}
      </Group>
      <Await query={{ ...sums, data: sums.error ? undefined : sums.data }}>
        {(pages) => {
          const view = pages.pages[0];
          if (!view) return null;
          const rows = pages.pages.flatMap((p) => p.rows);
          return (
            <Stack>
              <Whole view={view} />
              {rows.length === 0 ? (
                <Empty words={t('costs.noneThen')}>
                  <Button component={Link} to="/plan">
                    {t('cut.toPlan')}
                  </Button>
                </Empty>
              ) : (
                <SumsTable by={by} rows={rows} go={(down) => go({ from: view.from, to: view.to, ...down })} />
              )}
              <More query={sums} />
              {!within && <Beside view={view} />}
              <Earnings from={view.from} to={view.to} />
              <Await query={books}>{(b) => <Books books={b} />}</Await>
            </Stack>
          );
        }}
      </Await>
    </Page>
  );
}

const csvOf = (asked: Asked) =>
  new URLSearchParams(
    Object.entries(asked).flatMap(([name, value]) => (value === undefined ? [] : [[name, String(value)]])),
  ).toString();

/** The sum of all rows, against what was estimated and as many days before. */
function Whole({ view }: { view: Schemas['CostSumsView'] }) {
  const { t } = useTranslation();
  const { total } = view;
  return (
    <Stack component="section" className="panel" p="md" gap="xs" aria-label={t('costs.whole')}>
      <Title order={2} size="h4">
        {t(view.from === view.to ? 'costs.wholeOn' : 'costs.wholeOf', {
          count: total.pieces,
          from: formatDay(view.from),
          to: formatDay(view.to),
        })}
      </Title>
      <CostBar sum={total} most={total.total} />
      <Parts sum={total} />
      <Text size="sm">
        {t('costs.total')} <Money value={total.total} strong />
        {total.estimated !== undefined && (
          <>
            {' '}
            · {t('costs.estimatedOfNew')} <Money value={total.estimated} />
          </>
        )}
        {total.before !== undefined && (
          <>
            {' '}
            · {t('costs.before')} <Money value={total.before} />
          </>
        )}
      </Text>
    </Stack>
  );
}

/** What was lost, sold or set right beside pieces. */
function Beside({ view }: { view: Schemas['CostSumsView'] }) {
  const { t } = useTranslation();
  if (view.beside.length === 0) return null;
  return (
    <Stack component="section" className="panel" p="md" gap={4} aria-label={t('costs.beside')}>
      <Title order={2} size="h4">
        {t('costs.beside')}
      </Title>
      {view.beside.map((row) => (
        <Text size="sm" key={row.movement}>
          {t(`costs.movement.${row.movement}`)}: <Money value={row.value} /> ·{' '}
          <Anchor component={Link} to="/stock" size="sm" underline="always">
            {t('costs.rows', { count: row.rows })}
          </Anchor>
        </Text>
      ))}
    </Stack>
  );
}
