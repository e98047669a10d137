import { Button, Group, SegmentedControl, Table, Text, TextInput } from '@mantine/core';
import { keepPreviousData, queryOptions, useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import { api, ask, type Schemas } from '../../api/client';
import { Length, Money } from '../../shared/Figures';
import { Await, Empty, Page } from '../../shared/Page';
import { Swatch } from '../../shared/Swatch';

const BY = ['ARTICLE', 'MONTH', 'BATCH'] as const;
/** So many lists are shown at once. */
const MOST_LISTS = 100;
type By = (typeof BY)[number];

export const wasteQuery = (by: By, from?: string, to?: string) =>
  queryOptions({
    queryKey: ['cut', 'waste', by, from, to],
    queryFn: () => ask(api.GET('/api/cut/waste', { params: { query: { by, from, to } } })),
    placeholderData: keepPreviousData,
  });

/** Where the cord went that was cut: into pieces, tails, scrap and remnants; and how near the plans were to the best. */
export default function WastePage() {
  const { t } = useTranslation();
  const [address, setAddress] = useSearchParams();
  const by = BY.find((b) => b === address.get('by')) ?? 'ARTICLE';
  const from = address.get('from') ?? undefined;
  const to = address.get('to') ?? undefined;
  const rows = useQuery(wasteQuery(by, from, to));
  const set = (name: string, value: string) => {
    const next = new URLSearchParams(address);
    if (value) next.set(name, value);
    else next.delete(name);
    setAddress(next, { replace: true });
  };
  return (
    <Page
      title={t('waste.title')}
      actions={
        <>
          <Button variant="default" component="a" href={`/api/cut/waste.csv?${address}`} download>
            {t('exportCsv')}
          </Button>
          <Button variant="default" component={Link} to="/cut">
            {t('waste.toCut')}
          </Button>
        </>
      }
    >
      <Group align="flex-end" gap="md">
        <SegmentedControl
          aria-label={t('waste.by')}
          value={by}
          onChange={(value) => set('by', value)}
          data={BY.map((value) => ({ value, label: t(`waste.by.${value}`) }))}
        />
        {(['from', 'to'] as const).map((name) => (
          <TextInput
            key={name}
            type="date"
            label={t(`waste.${name}`)}
            value={address.get(name) ?? ''}
            onChange={(e) => set(name, e.currentTarget.value)}
          />
        ))}
      </Group>
      <Await query={rows}>
        {(list) => (list.length === 0 ? <Empty words={t('waste.none')} /> : <Rows by={by} rows={list} />)}
      </Await>
      {by === 'BATCH' && rows.data?.length === MOST_LISTS && (
        <Text size="sm">{t('waste.newest', { count: MOST_LISTS })}</Text>
      )}
      <Text size="sm" c="dimmed">
        {t('waste.words')}
      </Text>
    </Page>
  );
}

function Rows({ by, rows }: { by: By; rows: Schemas['WasteRow'][] }) {
  const { t } = useTranslation();
  const head = ['used', 'tails', 'scrap', 'percent', 'value', 'made', 'spent'];
  return (
    <Table.ScrollContainer minWidth={760} className="panel">
      <Table verticalSpacing={5} fz="sm">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>{t(`waste.by.${by}`)}</Table.Th>
            {[...head, ...(by === 'BATCH' ? ['gap'] : [])].map((name) => (
              <Table.Th key={name} className="right">
                {t(`waste.${name}`)}
              </Table.Th>
            ))}
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {rows.map((row) => (
            <Table.Tr key={row.list ?? row.label}>
              <Table.Td>
                <Label row={row} />
              </Table.Td>
              <Table.Td className="right">
                <Length um={row.usedUm} kind="stock" />
              </Table.Td>
              <Table.Td className="right">
                <Length um={row.tailsUm} kind="stock" />
              </Table.Td>
              <Table.Td className="right">
                <Length um={row.scrapUm} kind="stock" />
              </Table.Td>
              <Table.Td className="right">
                <span className="figure">{row.scrapPercent.toFixed(2)} %</span>
              </Table.Td>
              <Table.Td className="right">
                <Money value={row.scrapValue} />
              </Table.Td>
              <Table.Td className="right">
                <Remnants count={row.remnantsMade} um={row.remnantsMadeUm} />
              </Table.Td>
              <Table.Td className="right">
                <Remnants count={row.remnantsUsed} um={row.remnantsUsedUm} />
              </Table.Td>
              {by === 'BATCH' && (
                <Table.Td className="right">
                  <span className="figure">
                    {row.gapPercent === undefined ? '–' : `${row.gapPercent.toFixed(2)} %`}
                  </span>
                </Table.Td>
              )}
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Table.ScrollContainer>
  );
}

function Label({ row }: { row: Schemas['WasteRow'] }) {
  if (row.list !== undefined) return <Link to={`/cut/${row.list}`}>{row.label}</Link>;
  if (!row.colour) return <span className="figure">{row.label}</span>;
  return (
    <Group gap={8} wrap="nowrap">
      <Swatch colour={row.colour} />
      {row.name} ({row.label})
    </Group>
  );
}

function Remnants({ count, um }: { count: number; um: number }) {
  return count === 0 ? (
    <span className="figure">–</span>
  ) : (
    <span className="figure">
      {count} · <Length um={um} kind="stock" />
    </span>
  );
}
