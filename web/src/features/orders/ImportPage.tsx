import {
  Alert,
  Button,
  Checkbox,
  Code,
  Group,
  NativeSelect,
  Progress,
  Stack,
  Table,
  Text,
  TextInput,
} from '@mantine/core';
import { Dropzone } from '@mantine/dropzone';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { deliveryQuery, deliveryTextQuery } from '../../shared/deliveries';
import { formatDay } from '../../shared/format';
import { jobQuery, stopJob } from '../../shared/jobs';
import { Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import classes from './ImportPage.module.css';
import { sampleFile, type Source as TakenFrom, useImport, usePreview } from './queries';

type How = Schemas['Request'];
type View = Schemas['FileView'];
type Row = Schemas['RowView'];

/**
 * A file of orders: drop it, say which column is what, see what each row would do, mend what is bad, take it. What a shop
 * delivered, and could not be taken by itself, is looked at in the same way.
 */
export default function ImportPage() {
  const [address] = useSearchParams();
  const delivery = Number(address.get('delivery'));
  return delivery > 0 ? <Delivered key={delivery} id={delivery} /> : <Chosen />;
}

/** Looking at what is to be taken, as often as something about it is changed, and taking it. */
function useTaking() {
  const { units } = useUnits();
  const preview = usePreview();
  const [job, setJob] = useState<number>();
  const take = useImport(setJob);
  const [what, setWhat] = useState<TakenFrom>();
  const [how, setHow] = useState<How>({ units });
  const look = (chosen: TakenFrom, next: How) => {
    take.reset();
    setWhat(chosen);
    setHow(next);
    preview.mutate({ what: chosen, how: next });
  };
  const again = (change: Partial<How>) => what && look(what, { ...how, ...change });
  const run = (mode: 'ALL' | 'GOOD_ROWS') => {
    if (!what) return;
    setJob(undefined);
    take.mutate({ what, how, mode });
  };
  return { units, preview, take, job, what, how, look, again, run };
}

function Chosen() {
  const { t } = useTranslation();
  const taking = useTaking();
  const { units, preview, take, what, how, look } = taking;
  const file = what?.file;
  return (
    <Page title={t('import.title')}>
      {!take.data && (
        <Dropzone
          onDrop={(files) => files[0] && look({ file: files[0] }, { units, source: how.source })}
          multiple={false}
          loading={preview.isPending && !preview.data}
          p={preview.data ? 'sm' : 'xl'}
          inputProps={{ 'aria-label': t('import.choose') }}
        >
          <Text ta="center" fw={600}>
            {file ? t('import.another', { name: file.name }) : t('import.drop')}
          </Text>
          {!preview.data && (
            <Text ta="center" size="sm" c="dimmed">
              {t('import.columns')}
            </Text>
          )}
        </Dropzone>
      )}
      {!file && (
        <Group justify="center">
          <Button variant="default" onClick={() => sampleFile().then((f) => look({ file: f }, { units }))}>
            {t('import.useSample')}
          </Button>
          <Button variant="subtle" component="a" href="/api/orders/sample.csv" download>
            {t('import.downloadSample')}
          </Button>
        </Group>
      )}
      <Judged taking={taking} />
    </Page>
  );
}

/** What a shop delivered. */
function Delivered({ id }: { id: number }) {
  const { t } = useTranslation();
  const taking = useTaking();
  const { units, look } = taking;
  const delivery = useQuery(deliveryQuery(id));
  const text = useQuery(deliveryTextQuery(id));
  const first = useRef(true);
  useEffect(() => {
    if (first.current) look({ delivery: id }, { units });
    first.current = false;
  });
  return (
    <Page
      title={t('tray.one', { source: delivery.data?.source ?? '' })}
      actions={
        <Button component={Link} to="/orders/deliveries" variant="default">
          {t('tray.backTo')}
        </Button>
      }
    >
      {delivery.data?.superseded && (
        <Alert color="straw" variant="outline">
          {t('tray.superseded')}
        </Alert>
      )}
      <Judged taking={taking} />
      {text.data && !taking.take.data && (
        <Stack className="panel" p="sm" gap="xs">
          <Text fw={600}>{t('tray.sent')}</Text>
          <Code block className={classes.sent}>
            {text.data}
          </Code>
        </Stack>
      )}
    </Page>
  );
}

function Judged({ taking }: { taking: ReturnType<typeof useTaking> }) {
  const { preview, take, job, what, how, again, run } = taking;
  const { t } = useTranslation();
  const seen = preview.data;
  return (
    <>
      <ProblemNote error={preview.error ?? take.error} />
      {take.isPending && job && <Running id={job} />}
      {take.isSuccess && !take.data && (
        <Alert color="straw" variant="outline" role="status">
          {t('import.stopped')}
        </Alert>
      )}
      {take.data ? (
        <Done view={take.data} />
      ) : (
        seen && (
          <>
            <Source view={seen} how={how} named={what?.delivery !== undefined} onChange={again} />
            {seen.all > 0 && (
              <Seen view={seen} how={how} busy={take.isPending} onTake={run} onChange={again} />
            )}
          </>
        )
      )}
    </>
  );
}

/** How far a long import is; it can be stopped, and then nothing of it is kept. */
function Running({ id }: { id: number }) {
  const { t } = useTranslation();
  const { data } = useQuery(jobQuery(id));
  const known = data && data.whole > 0;
  return (
    <Group className="panel" p="sm" gap="md">
      <Progress
        flex={1}
        value={known ? (100 * data.done) / data.whole : 0}
        aria-label={t('import.running')}
      />
      <Text size="sm">
        {known ? t('import.progress', { done: data.done, total: data.whole }) : t('import.running')}
      </Text>
      <Button variant="default" onClick={() => stopJob(id)}>
        {t('import.cancel')}
      </Button>
    </Group>
  );
}

function Done({ view }: { view: View }) {
  const { t } = useTranslation();
  return (
    <Stack>
      <Alert
        color="board"
        variant="outline"
        title={t('import.done', { count: view.fresh, pieces: view.pieces })}
      >
        {t('import.doneRest', {
          known: view.known,
          accepted: view.accepted,
          different: view.different - view.accepted,
          bad: view.bad,
        })}
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

interface SourceProps {
  view: View;
  how: How;
  onChange: (change: Partial<How>) => void;
}

/** How the file was recognised, where it comes from, and which of its columns holds what. */
function Source({ view, how, named, onChange }: SourceProps & { named: boolean }) {
  const { t } = useTranslation();
  const missing = view.columns.filter((c) => c.needed && !c.column);
  const [open, setOpen] = useState(false);
  const [source, setSource] = useState(how.source ?? '');
  return (
    <Stack className="panel" p="sm" gap="xs">
      <Group gap="md" align="flex-end">
        {!named && (
          <TextInput
            label={t('import.source')}
            placeholder={t('import.sourceHint')}
            w={230}
            value={source}
            onChange={(e) => setSource(e.currentTarget.value)}
            onBlur={() => source !== (how.source ?? '') && onChange({ source })}
          />
        )}
        <Text size="sm" c="dimmed" pb={8}>
          {t('import.form', {
            kind: view.form.kind,
            encoding: view.form.encoding,
            separator: t(`import.separator.${SEPARATORS[view.form.separator] ?? 'none'}`),
            decimals: t(view.form.decimalComma ? 'import.comma' : 'import.point'),
          })}
        </Text>
        <Button size="compact-sm" variant="subtle" mb={6} onClick={() => setOpen(!open)}>
          {t('import.map')}
        </Button>
      </Group>
      {missing.length > 0 && (
        <Text size="sm" c="var(--act)" role="alert">
          {t('import.missing', { fields: missing.map((c) => c.field).join(', ') })}
        </Text>
      )}
      {(open || missing.length > 0) && (
        <Group gap="xs" align="flex-end">
          {view.columns.map((c) => (
            <NativeSelect
              key={c.field}
              w={150}
              size="xs"
              label={c.field + (c.needed ? ' *' : '')}
              data={[
                { value: '', label: t('import.noColumn') },
                ...new Set(view.fileColumns.filter(Boolean)),
              ]}
              value={c.column}
              error={c.needed && !c.column}
              onChange={(e) => onChange({ columns: { ...how.columns, [c.field]: e.currentTarget.value } })}
            />
          ))}
        </Group>
      )}
    </Stack>
  );
}

const SEPARATORS: Record<string, string> = { ',': 'comma', ';': 'semicolon', '\t': 'tab', '|': 'bar' };

interface SeenProps extends SourceProps {
  busy: boolean;
  onTake: (mode: 'ALL' | 'GOOD_ROWS') => void;
}

function Seen({ view, how, busy, onTake, onChange }: SeenProps) {
  const { t } = useTranslation();
  const [onlyBad, setOnlyBad] = useState(false);
  const nothing = view.fresh + view.accepted === 0;
  return (
    <Stack gap="sm">
      <Group className={classes.bar} justify="space-between">
        <Group gap="md">
          <Text fw={600}>{t('import.fresh', { count: view.fresh, pieces: view.pieces })}</Text>
          {view.known > 0 && <Text>{t('import.known', { count: view.known })}</Text>}
          {view.different > 0 && (
            <Text>{t('import.different', { count: view.different, accepted: view.accepted })}</Text>
          )}
          {view.bad > 0 && (
            <Button size="compact-sm" variant="outline" color="coral" onClick={() => setOnlyBad(!onlyBad)}>
              {t(onlyBad ? 'import.showAll' : 'import.bad', { count: view.bad })}
            </Button>
          )}
        </Group>
        {nothing ? (
          <Text fw={600}>{t('import.nothingNew')}</Text>
        ) : (
          <Button loading={busy} onClick={() => onTake(view.bad > 0 ? 'GOOD_ROWS' : 'ALL')}>
            {t(view.bad > 0 ? 'import.takeGood' : 'import.takeAll', { count: view.fresh + view.accepted })}
          </Button>
        )}
      </Group>
      <Rows
        rows={onlyBad ? view.rows.filter((r) => r.state === 'BAD') : view.rows}
        how={how}
        onChange={onChange}
      />
      {view.rows.length < view.all && (
        <Text size="sm" c="dimmed">
          {t('import.firstRows', { shown: view.rows.length, count: view.all })}
        </Text>
      )}
    </Stack>
  );
}

interface RowsProps {
  rows: Row[];
  how?: How;
  /** Without it the rows are only shown. */
  onChange?: (change: Partial<How>) => void;
}

function Rows({ rows, how, onChange }: RowsProps) {
  const { t } = useTranslation();
  const accepted = how?.accepted ?? [];
  const accept = (row: number, yes: boolean) =>
    onChange?.({ accepted: yes ? [...accepted, row] : accepted.filter((r) => r !== row) });
  const mend = (row: number, field: string, cell: string) =>
    onChange?.({ fixes: { ...how?.fixes, [row]: { ...how?.fixes?.[row], [field]: cell } } });
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
                  <div key={p.field + p.code}>
                    <Text size="sm" c="var(--act)">
                      <b>{p.field}</b>: {p.message} {p.remedy}
                    </Text>
                    {onChange && (
                      <Mend row={r} field={p.field} onMend={(cell) => mend(r.number, p.field, cell)} />
                    )}
                  </div>
                ))}
                {r.differences.map((d) => (
                  <Text key={d.field} size="sm">
                    <b>{t(`import.field.${d.field}`)}</b>: {d.now || '–'} → {d.then || '–'}
                  </Text>
                ))}
                {onChange && r.differences.length > 0 && (
                  <Checkbox
                    size="sm"
                    mt={4}
                    label={t('import.accept')}
                    checked={accepted.includes(r.number)}
                    onChange={(e) => accept(r.number, e.currentTarget.checked)}
                  />
                )}
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

/** A bad cell, to be mended in place. */
function Mend({ row, field, onMend }: { row: Row; field: string; onMend: (cell: string) => void }) {
  const { t } = useTranslation();
  const [cell, setCell] = useState(row.cells[field] ?? '');
  return (
    <Group gap={6} my={2}>
      <TextInput
        size="xs"
        w={180}
        aria-label={t('import.mendCell', { field, row: row.number })}
        value={cell}
        onChange={(e) => setCell(e.currentTarget.value)}
        onKeyDown={(e) => e.key === 'Enter' && onMend(cell)}
      />
      <Button size="compact-xs" variant="default" onClick={() => onMend(cell)}>
        {t('import.mend')}
      </Button>
    </Group>
  );
}
