import { Button, Checkbox, Group, Table, Text, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { formatDay } from '../../shared/format';
import classes from './ImportPage.module.css';

type How = Schemas['Request'];
type Row = Schemas['RowView'];

interface RowsProps {
  rows: Row[];
  how?: How;
  /** Without it the rows are only shown. */
  onChange?: (change: Partial<How>) => void;
}

export function Rows({ rows, how, onChange }: RowsProps) {
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
