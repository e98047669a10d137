import { Button, SimpleGrid, Stack, Table, Text, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Money } from '../../shared/Figures';
import { change, formatLength } from '../../shared/format';
import { Await, Page } from '../../shared/Page';
import { Verdict } from '../../shared/Verdict';
import { workName } from './names';
import { learningReportQuery } from './queries';

/** Whether learning is worth anything: cord, promises, minutes, and whether its ranges hold. */
export default function ReportPage() {
  const { t } = useTranslation();
  const report = useQuery(learningReportQuery);
  return (
    <Page
      title={t('learned.report')}
      actions={
        <>
          <Button component="a" variant="default" href="/api/learning/report.csv" download>
            {t('exportCsv')}
          </Button>
          <Button component={Link} variant="default" to="/measures/learned">
            {t('learned.title')}
          </Button>
        </>
      }
    >
      <Await query={report}>
        {(view) => (
          <SimpleGrid cols={{ base: 1, md: 2 }} spacing="md">
            <Saved saved={view.saved} />
            <Short view={view.ranShort} />
            <Minutes rows={view.minutes} />
            <Calibration rows={view.calibration} />
          </SimpleGrid>
        )}
      </Await>
    </Page>
  );
}

function Panel({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Stack className="panel" p="md" gap="xs">
      <Title order={2} size="h4">
        {title}
      </Title>
      {children}
    </Stack>
  );
}

function Saved({ saved }: { saved: Schemas['SavedView'] }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const length = formatLength(Math.abs(saved.savedUm), units, 'stock');
  return (
    <Panel title={t('learned.saved')}>
      <Text fz={32} lh={1.2}>
        <Money value={saved.saved} strong />
      </Text>
      <Text>
        {t(saved.savedUm < 0 ? 'learned.spentWords' : 'learned.savedWords', {
          length,
          strands: saved.strands,
        })}
      </Text>
    </Panel>
  );
}

const hundredth = (share: number) => share.toFixed(1);

function Short({ view }: { view: Schemas['ShortView'] }) {
  const { t } = useTranslation();
  return (
    <Panel title={t('learned.short')}>
      {view.pieces === 0 ? (
        <Text c="dimmed">{t('learned.shortNone')}</Text>
      ) : (
        <>
          <Text fz={32} lh={1.2} className="figure" fw={700}>
            {hundredth((100 * view.ranShort) / view.pieces)} / 100
          </Text>
          <Text>{t('learned.shortWords', { short: view.ranShort, pieces: view.pieces })}</Text>
          <Text>
            {t('learned.shortRange', { low: hundredth(view.low), high: hundredth(view.high) })}{' '}
            {view.planned > 0 && t('learned.shortPromise', { promised: hundredth(view.promised) })}
          </Text>
          {view.planned > 0 && (
            <Text size="sm">
              <Verdict word={view.promised < view.low ? 'NO' : 'GOOD'} />{' '}
              {t(view.promised < view.low ? 'learned.shortBroken' : 'learned.shortKept')}
            </Text>
          )}
        </>
      )}
    </Panel>
  );
}

const minutes = (seconds: number) => (seconds / 60).toFixed(seconds < 600 ? 1 : 0);

function Minutes({ rows }: { rows: Schemas['MinutesRow'][] }) {
  const { t } = useTranslation();
  return (
    <Panel title={t('learned.minutesTitle')}>
      {rows.length === 0 ? (
        <Text c="dimmed">{t('learned.minutesNone')}</Text>
      ) : (
        <Table verticalSpacing={3} horizontalSpacing={6}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('learned.work')}</Table.Th>
              <Table.Th ta="right">{t('learned.times')}</Table.Th>
              <Table.Th ta="right">{t('learned.estimated')}</Table.Th>
              <Table.Th ta="right">{t('learned.took')}</Table.Th>
              <Table.Th ta="right">{t('learned.off')}</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {rows.map((row) => (
              <Table.Tr key={row.work}>
                <Table.Td>{workName(row.work, t)}</Table.Td>
                <Table.Td ta="right" className="figure">
                  {row.times}
                </Table.Td>
                <Table.Td ta="right" className="figure">
                  {minutes(row.expectedS)} min
                </Table.Td>
                <Table.Td ta="right" className="figure">
                  {minutes(row.actualS)} min
                </Table.Td>
                <Table.Td ta="right" className="figure">
                  {row.expectedS > 0 && change(row.actualS / row.expectedS)}
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
    </Panel>
  );
}

function Calibration({ rows }: { rows: Schemas['CalibrationRow'][] }) {
  const { t } = useTranslation();
  const subjects = [...new Set(rows.map((row) => row.subject))];
  return (
    <Panel title={t('learned.calibration')}>
      <Text size="sm" c="dimmed">
        {t('learned.calibrationHint')}
      </Text>
      {rows.length > 0 && (
        <Table verticalSpacing={3} horizontalSpacing={6}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('learned.stated')}</Table.Th>
              {subjects.map((subject) => (
                <Table.Th key={subject} ta="right">
                  {t(`learned.of.${subject}`)}
                </Table.Th>
              ))}
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {[...new Set(rows.map((row) => row.stated))].map((stated) => (
              <Table.Tr key={stated}>
                <Table.Td className="figure">{t('learned.percent', { percent: stated })}</Table.Td>
                {subjects.map((subject) => {
                  const row = rows.find((r) => r.subject === subject && r.stated === stated);
                  return (
                    <Table.Td key={subject} ta="right" className="figure">
                      {row &&
                        t('learned.percentOf', {
                          percent: Math.round((100 * row.within) / row.measured),
                          count: row.measured,
                        })}
                    </Table.Td>
                  );
                })}
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
    </Panel>
  );
}
