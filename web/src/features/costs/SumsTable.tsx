import { Anchor, Button, Table, Text } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Fragment, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Money } from '../../shared/Figures';
import { formatMonth, formatTime } from '../../shared/format';
import { Await } from '../../shared/Page';
import { CostBar } from './CostBar';
import { type By, type CostSum, changesQuery } from './queries';

/** What a row opens down to: the next smaller thing it is made of. */
const DOWN: Partial<Record<By, By>> = {
  PATTERN: 'ORDER',
  CUSTOMER: 'ORDER',
  ORDER: 'LINE',
  LINE: 'PIECE',
  BATCH: 'PIECE',
  MONTH: 'ORDER',
  MAKER: 'PIECE',
};

interface Props {
  by: By;
  rows: CostSum[];
  go: (change: Record<string, string | undefined>) => void;
}

export function SumsTable({ by, rows, go }: Props) {
  const { t } = useTranslation();
  const [open, setOpen] = useState<string>();
  const most = Math.max(...rows.map((row) => row.total));
  const down = DOWN[by];
  // A month stands beside the one before it already.
  const before = by !== 'MONTH';
  const nameOf = (row: CostSum) =>
    (by === 'MONTH' && row.label ? formatMonth(row.label) : row.label) ||
    t(by === 'MAKER' && row.pieces > 0 ? 'costs.nobodyYet' : 'costs.alone');
  return (
    <Table.ScrollContainer minWidth={760} className="panel">
      <Table verticalSpacing={6} fz="sm">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>{t(`costs.by.${by}`)}</Table.Th>
            <Table.Th className="right">{t('costs.pieces')}</Table.Th>
            <Table.Th w="34%">{t('costs.whereItWent')}</Table.Th>
            <Table.Th className="right">{t('costs.total')}</Table.Th>
            {by !== 'ARTICLE' && <Table.Th className="right">{t('costs.estimated')}</Table.Th>}
            {before && <Table.Th className="right">{t('costs.before')}</Table.Th>}
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {rows.map((row) => (
            <Fragment key={row.key}>
              <Table.Tr>
                <Table.Td>
                  {by === 'ARTICLE' ? (
                    <Anchor component={Link} to={`/stock/articles/${row.key}`} size="sm" underline="always">
                      {row.key} · {nameOf(row)}
                    </Anchor>
                  ) : row.label && (down || by === 'PIECE') ? (
                    <Button
                      variant="subtle"
                      size="compact-sm"
                      px={0}
                      aria-expanded={by === 'PIECE' ? open === row.key : undefined}
                      onClick={() =>
                        down
                          ? go({ by: down, within: by, key: row.key, name: nameOf(row) })
                          : setOpen(open === row.key ? undefined : row.key)
                      }
                    >
                      {nameOf(row)}
                    </Button>
                  ) : (
                    <Text size="sm">{nameOf(row)}</Text>
                  )}
                </Table.Td>
                <Table.Td className="right">{row.pieces}</Table.Td>
                <Table.Td>
                  <CostBar sum={row} most={most} />
                </Table.Td>
                <Table.Td className="right">
                  <Money value={row.total} strong />
                </Table.Td>
                {by !== 'ARTICLE' && (
                  <Table.Td className="right">
                    <Money value={row.estimated ?? 0} />
                  </Table.Td>
                )}
                {before && (
                  <Table.Td className="right">
                    <Money value={row.before ?? 0} />
                  </Table.Td>
                )}
              </Table.Tr>
              {open === row.key && (
                <Table.Tr>
                  <Table.Td colSpan={6}>
                    <Changes piece={Number(row.key)} />
                  </Table.Td>
                </Table.Tr>
              )}
            </Fragment>
          ))}
        </Table.Tbody>
      </Table>
    </Table.ScrollContainer>
  );
}

const CHANGED = ['used', 'tails', 'trimmed', 'scrap', 'waste', 'hardware'] as const;

/** The changes that a piece's cost is made of, each with its moment. */
function Changes({ piece }: { piece: number }) {
  const { t } = useTranslation();
  const changes = useQuery(changesQuery(piece));
  return (
    <Await query={changes}>
      {({ rows }) => (
        <ul>
          {rows.map((change) => (
            <li key={`${change.at} ${change.used} ${change.tails}`}>
              <Text size="sm">
                {formatTime(change.at)}:{' '}
                {CHANGED.filter((part) => change[part] !== 0).map((part, i) => (
                  <Fragment key={part}>
                    {i > 0 && ' · '}
                    {t(`cost.${part}`)} <Money value={change[part]} />
                  </Fragment>
                ))}
              </Text>
            </li>
          ))}
        </ul>
      )}
    </Await>
  );
}
