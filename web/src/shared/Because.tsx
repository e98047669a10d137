import { Popover, Table, Text, UnstyledButton } from '@mantine/core';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../api/client';
import classes from './Because.module.css';
import { Length } from './Figures';
import type { LengthKind } from './format';

interface Props {
  /** What the figure is, for the sheet's head and for screen readers. */
  title: string;
  um: number;
  sum: Schemas['SumView'];
  kind?: LengthKind;
  note?: ReactNode;
}

/** A figure that opens into the short sum behind it, term by term. */
export function Because({ title, um, sum, kind = 'cord', note }: Props) {
  const { t } = useTranslation();
  return (
    <Popover position="bottom-end" withArrow withinPortal trapFocus returnFocus>
      <Popover.Target>
        <UnstyledButton className={classes.opener} aria-label={t('because.open', { title })}>
          <Length um={um} kind={kind} />
        </UnstyledButton>
      </Popover.Target>
      <Popover.Dropdown className={classes.sheet} aria-label={title}>
        <Text fw={650} size="sm" mb={4}>
          {title}
        </Text>
        <Table verticalSpacing={2} horizontalSpacing={6} fz="sm">
          <Table.Tbody>
            {sum.terms.map((term, i) => (
              <Table.Tr key={i}>
                <Table.Td>{t(`term.${term.code}`, { count: term.count })}</Table.Td>
                <Table.Td className="right">
                  {term.count > 1 && (
                    <Text span c="dimmed" inherit className="figure">
                      {term.count} × <Length um={term.eachUm} kind="part" />
                    </Text>
                  )}
                </Table.Td>
                <Table.Td className="right">
                  <Length um={term.totalUm} kind="part" />
                </Table.Td>
              </Table.Tr>
            ))}
            <Table.Tr fw={650}>
              <Table.Td>{t('because.total')}</Table.Td>
              <Table.Td />
              <Table.Td className="right">
                <Length um={sum.totalUm} kind="part" />
              </Table.Td>
            </Table.Tr>
          </Table.Tbody>
        </Table>
        <Text size="xs" c="dimmed" mt={6}>
          {note ?? t('because.source')}
        </Text>
      </Popover.Dropdown>
    </Popover>
  );
}
