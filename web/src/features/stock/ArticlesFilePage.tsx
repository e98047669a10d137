import { Button, FileInput, Group, Stack, Table, Text } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate } from 'react-router';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { Swatch } from '../../shared/Swatch';
import { previewArticles, takeArticles, useStockAct } from './queries';
import classes from './Supplies.module.css';

type Reading = Schemas['ArticleFile'];

/** Articles from a file: what it says is shown row by row before any of it is taken. */
export default function ArticlesFilePage() {
  const { t } = useTranslation();
  const { units } = useUnits();
  const navigate = useNavigate();
  const [file, setFile] = useState<File | null>(null);
  const [view, setView] = useState<Reading>();
  const preview = useStockAct(previewArticles);
  const take = useStockAct(takeArticles);
  const choose = (chosen: File | null) => {
    setFile(chosen);
    setView(undefined);
    take.reset();
    if (chosen) preview.mutate({ file: chosen, units }, { onSuccess: (read) => setView(read as Reading) });
  };
  const taken = (mode: 'NEW' | 'ALL') =>
    file &&
    take.mutate(
      { file, units, mode },
      {
        onSuccess: () => {
          notifications.show({ message: t('articlesFile.done'), color: 'board' });
          navigate('/stock');
        },
      },
    );
  return (
    <Page
      title={t('articlesFile.title')}
      actions={
        <>
          <Button component={Link} to="/stock" variant="default">
            {t('receive.wall')}
          </Button>
          <Button component="a" variant="default" href="/api/stock/articles.csv" download>
            {t('articlesFile.csv')}
          </Button>
          <Button component="a" variant="default" href="/api/stock/articles.json" download>
            {t('articlesFile.json')}
          </Button>
          <Button component="a" variant="default" href="/api/stock/ledger.csv" download>
            {t('stock.ledgerCsv')}
          </Button>
        </>
      }
    >
      <Stack className="panel" p="md" gap="sm">
        <FileInput
          label={t('articlesFile.choose')}
          description={t('articlesFile.columns')}
          placeholder={t('articlesFile.form')}
          accept=".csv,.json,.txt"
          value={file}
          onChange={choose}
          clearable
        />
        <ProblemNote error={preview.error ?? take.error} />
        {view && (
          <>
            <Text>
              {t('articlesFile.found', {
                fresh: view.fresh,
                known: view.known,
                different: view.different,
                bad: view.bad,
              })}
              {view.unknown.length > 0 && ` ${t('articlesFile.unknown', { names: view.unknown.join(', ') })}`}
            </Text>
            <Group>
              <Button disabled={view.fresh === 0} loading={take.isPending} onClick={() => taken('NEW')}>
                {t('articlesFile.takeNew', { count: view.fresh })}
              </Button>
              {view.different > 0 && (
                <Button
                  variant="default"
                  disabled={view.bad > 0}
                  loading={take.isPending}
                  onClick={() => taken('ALL')}
                >
                  {t('articlesFile.takeAll', { count: view.different })}
                </Button>
              )}
            </Group>
          </>
        )}
      </Stack>
      {view && <Rows view={view} />}
    </Page>
  );
}

function Rows({ view }: { view: Reading }) {
  const { t } = useTranslation();
  return (
    <div className="panel">
      <Table.ScrollContainer minWidth={620}>
        <Table fz="sm" verticalSpacing={4}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th className="right">{t('import.row')}</Table.Th>
              <Table.Th>{t('receive.article')}</Table.Th>
              <Table.Th>{t('import.state')}</Table.Th>
              <Table.Th>{t('articlesFile.why')}</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {view.rows.map((row) => (
              <Table.Tr key={row.number}>
                <Table.Td className="right">{row.number}</Table.Td>
                <Table.Td>
                  <Group gap={6} wrap="nowrap">
                    <Swatch colour={/^#[0-9A-F]{6}$/i.test(row.colour) ? row.colour : '#8A969B'} />
                    {row.code} {row.name}
                  </Group>
                </Table.Td>
                <Table.Td className={row.state === 'BAD' ? classes.missing : undefined}>
                  {t(`articlesFile.state.${row.state}`)}
                </Table.Td>
                <Table.Td>
                  {row.changes.map((c) => (
                    <div key={c.field}>{t('articlesFile.change', { ...c })}</div>
                  ))}
                  {row.problems.map((p, i) => (
                    <div key={i}>
                      {p.field}: {p.message} {p.remedy}
                    </div>
                  ))}
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      </Table.ScrollContainer>
    </div>
  );
}
