import { Anchor, NativeSelect, SegmentedControl, Table, Text } from '@mantine/core';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { formatDay } from '../../shared/format';
import { More } from '../../shared/More';
import { Await, Empty, Page } from '../../shared/Page';
import { type TalesBy, talesQuery } from './queries';

const BY: TalesBy[] = ['PATTERN', 'MAKER', 'MATERIAL'];
const DAYS = [30, 90, 365];

/** How the pieces of a pattern, a maker or a material went, and why those that went wrong did. */
export default function TalesPage() {
  const { t } = useTranslation();
  const [by, setBy] = useState<TalesBy>('PATTERN');
  const [days, setDays] = useState(365);
  const tales = useInfiniteQuery(talesQuery(by, days));
  return (
    <Page
      title={t('make.tales.title')}
      actions={
        <>
          <SegmentedControl
            aria-label={t('make.tales.by')}
            value={by}
            onChange={(value) => setBy(value as TalesBy)}
            data={BY.map((value) => ({ value, label: t(`make.tales.by.${value}`) }))}
          />
          <NativeSelect
            aria-label={t('make.tales.since')}
            value={days}
            onChange={(e) => setDays(Number(e.currentTarget.value))}
            data={DAYS.map((count) => ({ value: String(count), label: t('make.tales.days', { count }) }))}
          />
        </>
      }
    >
      <Await query={tales}>
        {({ pages }) => {
          const rows = pages.flatMap((page) => page.rows);
          return rows.length === 0 ? (
            <Empty words={t('make.tales.none')} />
          ) : (
            <div className="panel">
              <Table.ScrollContainer minWidth={760}>
                <Table verticalSpacing="sm">
                  <Table.Thead>
                    <Table.Tr>
                      <Table.Th>{t(`make.tales.by.${by}`)}</Table.Th>
                      <Table.Th ta="right">{t('make.tales.made')}</Table.Th>
                      <Table.Th ta="right">{t('make.tales.redone')}</Table.Th>
                      <Table.Th ta="right">{t('make.tales.mended')}</Table.Th>
                      <Table.Th ta="right">{t('make.tales.givenUp')}</Table.Th>
                      <Table.Th w="40%">{t('make.tales.reasons')}</Table.Th>
                    </Table.Tr>
                  </Table.Thead>
                  <Table.Tbody>
                    {rows.map((row) => (
                      <Tale key={row.key} row={row} />
                    ))}
                  </Table.Tbody>
                </Table>
              </Table.ScrollContainer>
            </div>
          );
        }}
      </Await>
      <More query={tales} />
    </Page>
  );
}

function Tale({ row }: { row: Schemas['TaleRow'] }) {
  const { t } = useTranslation();
  return (
    <Table.Tr>
      <Table.Td fw={650}>{row.name}</Table.Td>
      {[row.made, row.redone, row.mended, row.givenUp].map((count, i) => (
        <Table.Td key={i} ta="right" className="figure">
          {count}
        </Table.Td>
      ))}
      <Table.Td>
        {row.reasons.length === 0 && (
          <Text size="sm" c="dimmed">
            {t('make.tales.well')}
          </Text>
        )}
        {row.reasons.map((reason) => (
          <Text key={`${reason.at} ${reason.order} ${reason.kind}`} size="sm">
            {t(`make.tales.kind.${reason.kind}`)}:{' '}
            {[reason.mishap && t(`make.wrong.${reason.mishap}`), reason.reason].filter(Boolean).join(', ') ||
              t('make.tales.unsaid')}{' '}
            <Anchor component={Link} to={`/orders/${reason.order}`} size="sm">
              {reason.reference}
            </Anchor>
            , {formatDay(reason.at.slice(0, 10))}
          </Text>
        ))}
      </Table.Td>
    </Table.Tr>
  );
}
