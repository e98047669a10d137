import {
  Badge,
  Button,
  FileButton,
  Grid,
  Group,
  SegmentedControl,
  Stack,
  Table,
  Text,
  Title,
  UnstyledButton,
} from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import { change, formatDay } from '../../shared/format';
import { More } from '../../shared/More';
import { Await, Empty, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { materialsQuery } from '../../shared/piece/queries';
import { useSession } from '../../shared/session';
import { HistoryChart } from './HistoryChart';
import classes from './LearnedPage.module.css';
import { featureName } from './names';
import { Doubted, Points } from './Points';
import {
  type Estimate,
  estimatesQuery,
  historyQuery,
  pointsQuery,
  type Subject,
  standingQuery,
  useReadKnowledge,
} from './queries';

const SUBJECTS: Subject[] = ['CORD', 'PITCH', 'TIME'];

/** What hands and cords were found to take, how sure that is, and what it rests on. */
export default function LearnedPage() {
  const { t } = useTranslation();
  const [address, setAddress] = useSearchParams();
  const subject = SUBJECTS.find((s) => s === address.get('subject')) ?? 'CORD';
  const estimates = useInfiniteQuery(estimatesQuery(subject));
  const standing = useQuery(standingQuery);
  const { data: materials } = useQuery(materialsQuery);
  const learned = standing.data?.learned;
  const waits = standing.data?.waits;
  const doubted = useInfiniteQuery(pointsQuery('CORD', ''));
  // All at once, so that nothing moves while the rest arrives.
  const all = {
    data: estimates.data && doubted.data && standing.data && estimates.data,
    error: estimates.error ?? doubted.error ?? standing.error,
    isPending: estimates.isPending || doubted.isPending || standing.isPending,
  };
  const { refetch } = estimates;
  // What was worked out meanwhile is shown as soon as it is there.
  useEffect(() => {
    if (learned !== undefined && waits === false) refetch();
  }, [learned, waits, refetch]);
  const material = (code: string) => materials?.find((m) => m.code === code)?.name ?? code;
  const name = (row: Estimate) => featureName(row, material, t);
  const choose = (feature: string) => setAddress({ subject, feature }, { replace: true });
  return (
    <Page title={t('learned.title')} actions={<Actions />}>
      {all.data && <Doubted />}
      <Group gap="sm">
        <SegmentedControl
          aria-label={t('learned.subject')}
          value={subject}
          onChange={(value) => setAddress({ subject: value }, { replace: true })}
          data={SUBJECTS.map((value) => ({ value, label: t(`learned.of.${value}`) }))}
        />
        <Text size="sm" c="dimmed" role="status">
          {waits ? t('learned.waits') : t('learned.rests', { count: learned ?? 0 })}
        </Text>
      </Group>
      <Await query={all}>
        {({ pages }) => {
          const rows = pages.flatMap((page) => page.rows);
          if (rows.length === 0) return <NothingYet />;
          const chosen = rows.find((row) => row.feature === address.get('feature')) ?? rows[0];
          return (
            <Grid gap="md">
              <Grid.Col span={{ base: 12, md: 5 }}>
                <Stack className="panel" p="md" gap={6}>
                  <Estimates rows={rows} chosen={chosen?.feature} name={name} onChoose={choose} />
                  <More query={estimates} />
                </Stack>
              </Grid.Col>
              <Grid.Col span={{ base: 12, md: 7 }}>
                {chosen && <Chosen subject={subject} row={chosen} name={name(chosen)} />}
              </Grid.Col>
            </Grid>
          );
        }}
      </Await>
    </Page>
  );
}

function NothingYet() {
  const { t } = useTranslation();
  return (
    <Empty words={t('learned.none')}>
      <Button component={Link} to="/bench">
        {t('learned.toBench')}
      </Button>
      <Button component={Link} to="/measures" variant="default">
        {t('learned.toMeasures')}
      </Button>
    </Empty>
  );
}

function Actions() {
  const { t } = useTranslation();
  const { data: session } = useSession();
  const read = useReadKnowledge();
  const take = (file: File | null) =>
    file &&
    read.mutate(file, {
      onSuccess: (came) =>
        notifications.show({ message: t('learned.readIn', { count: came.added, known: came.known }) }),
      onError: (error) =>
        notifications.show({ color: 'coral', message: <ProblemNote error={error} />, autoClose: false }),
    });
  return (
    <>
      {session?.role === 'OWNER' && (
        <>
          <Button component="a" variant="default" href="/api/learning/knowledge.csv" download>
            {t('exportCsv')}
          </Button>
          <Button component="a" variant="default" href="/api/learning/knowledge.json" download>
            {t('exportJson')}
          </Button>
          <FileButton onChange={take} accept=".csv,.json">
            {(props) => (
              <Button {...props} variant="default" loading={read.isPending}>
                {t('learned.readFile')}
              </Button>
            )}
          </FileButton>
        </>
      )}
      <Button component={Link} variant="default" to="/measures/report">
        {t('learned.report')}
      </Button>
      <Button component={Link} variant="default" to="/measures">
        {t('learned.toMeasures')}
      </Button>
    </>
  );
}

interface EstimatesProps {
  rows: Estimate[];
  chosen: string | undefined;
  name: (row: Estimate) => string;
  onChoose: (feature: string) => void;
}

/** What is believed of each stitch, path, maker and material, by its kind. */
function Estimates({ rows, chosen, name, onChoose }: EstimatesProps) {
  const { t } = useTranslation();
  const kinds = [...new Set(rows.map((row) => row.kind))];
  return (
    <Table verticalSpacing={3} horizontalSpacing={6}>
      <Table.Thead>
        <Table.Tr>
          <Table.Th>{t('learned.what')}</Table.Th>
          <Table.Th ta="right">{t('learned.against')}</Table.Th>
          <Table.Th ta="right">{t('learned.pieces')}</Table.Th>
        </Table.Tr>
      </Table.Thead>
      {kinds.map((kind) => (
        <Table.Tbody key={kind}>
          <Table.Tr>
            <Table.Th colSpan={3} scope="rowgroup">
              <Text size="xs" c="dimmed" tt="none">
                {t(`learned.kind.${kind}`)}
              </Text>
            </Table.Th>
          </Table.Tr>
          {rows
            .filter((row) => row.kind === kind)
            .map((row) => (
              <Table.Tr
                key={row.feature}
                data-chosen={row.feature === chosen || undefined}
                className={classes.row}
              >
                <Table.Td>
                  <UnstyledButton
                    className={classes.name}
                    aria-pressed={row.feature === chosen}
                    onClick={() => onChoose(row.feature)}
                  >
                    {name(row)}
                  </UnstyledButton>
                  {row.changed && (
                    <Badge color="straw" variant="light" size="sm" tt="none">
                      {t('learned.changed')}
                    </Badge>
                  )}
                </Table.Td>
                <Table.Td ta="right" className="figure">
                  {change(row.factor)}{' '}
                  <Text span inherit c="dimmed">
                    {t('learned.range', { percent: ((50 * (row.high - row.low)) / row.factor).toFixed(1) })}
                  </Text>
                </Table.Td>
                <Table.Td ta="right" className="figure">
                  {row.pieces}
                  {row.samples > 0 && ` + ${row.samples}`}
                </Table.Td>
              </Table.Tr>
            ))}
        </Table.Tbody>
      ))}
    </Table>
  );
}

function Chosen({ subject, row, name }: { subject: Subject; row: Estimate; name: string }) {
  const { t } = useTranslation();
  const history = useQuery(historyQuery(subject, row.feature));
  return (
    <Stack className="panel" p="md" gap="sm">
      <Title order={2} size="h4">
        {name}
      </Title>
      {row.changed && (
        <Text size="sm" fw={600}>
          {t('learned.changedSince', {
            name,
            day: formatDay(row.changed.since),
            change: change(row.changed.factor),
          })}
        </Text>
      )}
      <Text size="sm" c="dimmed">
        {t('learned.chartHint')}
      </Text>
      <Await query={history}>
        {(rows) => (
          <>
            <HistoryChart name={name} rows={rows} />
            <Points subject={subject} feature={row.feature} />
          </>
        )}
      </Await>
    </Stack>
  );
}
