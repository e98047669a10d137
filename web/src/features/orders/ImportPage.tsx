import { Alert, Button, Group, Stack, Table, Text } from '@mantine/core';
import { Dropzone } from '@mantine/dropzone';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { formatDay } from '../../shared/format';
import { Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import classes from './ImportPage.module.css';
import { sampleFile, useImport, usePreview } from './queries';

/** A file of orders: drop it, see what each row would do, take it. */
export default function ImportPage() {
  const { t } = useTranslation();
  const { units } = useUnits();
  const preview = usePreview();
  const take = useImport();
  const [file, setFile] = useState<File>();
  const look = (chosen: File) => {
    take.reset();
    setFile(chosen);
    preview.mutate({ file: chosen, units });
  };
  const seen = preview.data;
  const import_ = (mode: 'ALL' | 'GOOD_ROWS') => file && take.mutate({ file, units, mode });
  return (
    <Page title={t('import.title')}>
      {!take.data && (
        <Dropzone
          onDrop={(files) => files[0] && look(files[0])}
          multiple={false}
          loading={preview.isPending}
          p={seen ? 'sm' : 'xl'}
          inputProps={{ 'aria-label': t('import.choose') }}
        >
          <Text ta="center" fw={600}>
            {file ? t('import.another', { name: file.name }) : t('import.drop')}
          </Text>
          {!seen && (
            <Text ta="center" size="sm" c="dimmed">
              {t('import.columns')}
            </Text>
          )}
        </Dropzone>
      )}
      {!file && (
        <Group justify="center">
          <Button variant="default" onClick={() => sampleFile().then(look)}>
            {t('import.useSample')}
          </Button>
          <Button variant="subtle" component="a" href="/api/orders/sample.csv" download>
            {t('import.downloadSample')}
          </Button>
        </Group>
      )}
      <ProblemNote error={preview.error ?? take.error} />
      {take.data ? (
        <Done view={take.data} />
      ) : (
        seen && <Seen view={seen} busy={take.isPending} onTake={import_} />
      )}
    </Page>
  );
}

function Done({ view }: { view: Schemas['FileView'] }) {
  const { t } = useTranslation();
  return (
    <Stack>
      <Alert
        color="board"
        variant="outline"
        title={t('import.done', { count: view.fresh, pieces: view.pieces })}
      >
        {t('import.doneRest', { known: view.known, different: view.different, bad: view.bad })}
      </Alert>
      <Group>
        <Button component={Link} to="/plan" size="md">
          {t('import.plan')}
        </Button>
        <Button component={Link} to="/orders" variant="default">
          {t('import.see')}
        </Button>
      </Group>
      {view.bad > 0 && <Rows rows={view.rows.filter((r) => r.state === 'BAD')} />}
    </Stack>
  );
}

interface SeenProps {
  view: Schemas['FileView'];
  busy: boolean;
  onTake: (mode: 'ALL' | 'GOOD_ROWS') => void;
}

function Seen({ view, busy, onTake }: SeenProps) {
  const { t } = useTranslation();
  const [onlyBad, setOnlyBad] = useState(false);
  return (
    <Stack gap="sm">
      <Group className={classes.bar} justify="space-between">
        <Group gap="md">
          <Text fw={600}>{t('import.fresh', { count: view.fresh, pieces: view.pieces })}</Text>
          {view.known > 0 && <Text>{t('import.known', { count: view.known })}</Text>}
          {view.different > 0 && <Text>{t('import.different', { count: view.different })}</Text>}
          {view.bad > 0 && (
            <Button size="compact-sm" variant="outline" color="coral" onClick={() => setOnlyBad(!onlyBad)}>
              {t(onlyBad ? 'import.showAll' : 'import.bad', { count: view.bad })}
            </Button>
          )}
        </Group>
        {view.fresh > 0 ? (
          <Button loading={busy} onClick={() => onTake(view.bad > 0 ? 'GOOD_ROWS' : 'ALL')}>
            {t(view.bad > 0 ? 'import.takeGood' : 'import.takeAll', { count: view.fresh })}
          </Button>
        ) : (
          <Text fw={600}>{t('import.nothingNew')}</Text>
        )}
      </Group>
      <Rows rows={onlyBad ? view.rows.filter((r) => r.state === 'BAD') : view.rows} />
    </Stack>
  );
}

function Rows({ rows }: { rows: Schemas['RowView'][] }) {
  const { t } = useTranslation();
  return (
    <Table.ScrollContainer minWidth={760} className="panel">
      <Table verticalSpacing={4} horizontalSpacing={8} fz="sm" className={classes.rows}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th className="right">{t('import.row')}</Table.Th>
            <Table.Th>{t('import.state')}</Table.Th>
            <Table.Th>{t('orders.reference')}</Table.Th>
            <Table.Th>{t('orders.customer')}</Table.Th>
            <Table.Th className="right">{t('orders.pieces')}</Table.Th>
            <Table.Th>{t('import.pattern')}</Table.Th>
            <Table.Th>{t('import.size')}</Table.Th>
            <Table.Th>{t('import.colours')}</Table.Th>
            <Table.Th>{t('orders.due')}</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {rows.map((r) => (
            <Table.Tr key={r.number} className={r.state === 'BAD' ? classes.bad : undefined}>
              <Table.Td className="right">
                <span className="figure">{r.number}</span>
              </Table.Td>
              <Table.Td>{t(`rowState.${r.state}`)}</Table.Td>
              <Table.Td>
                {r.reference}/{r.line}
              </Table.Td>
              <Table.Td className={classes.wide}>
                {r.customer}
                {r.problems.map((p) => (
                  <Text key={p.field + p.code} size="sm" c="var(--act)">
                    <b>{p.field}</b>: {p.message} {p.remedy}
                  </Text>
                ))}
              </Table.Td>
              <Table.Td className="right">
                <span className="figure">{r.quantity || '–'}</span>
              </Table.Td>
              <Table.Td>{r.patternName}</Table.Td>
              <Table.Td>{r.size}</Table.Td>
              <Table.Td>{r.colours}</Table.Td>
              <Table.Td>{r.due ? formatDay(r.due) : '–'}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Table.ScrollContainer>
  );
}
