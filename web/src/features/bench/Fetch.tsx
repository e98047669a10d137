import { Stack, Table, Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { useUnits } from '../../app/units';
import { formatLength } from '../../shared/format';
import { partName, strandName } from '../../shared/names';
import { Swatch } from '../../shared/Swatch';
import classes from './Card.module.css';
import type { Card } from './queries';

/**
 * Strands with their labels and marks, parts by count, and tools.
 *
 * @param also further pieces that are worked through with this one: the same for each of them
 */
export function Fetch({ card, also }: { card: Card; also: number[] }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const tools = [...new Set(card.steps.flatMap((s) => s.tools))];
  return (
    <Stack gap="xs">
      {also.length > 0 && (
        <Text fw={650}>{t('make.fetchEach', { tags: [card.piece.id, ...also].join(', ') })}</Text>
      )}
      <Table.ScrollContainer minWidth={260} type="native">
        <Table verticalSpacing={4} horizontalSpacing={6}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('make.strand')}</Table.Th>
              <Table.Th>{t('make.cord')}</Table.Th>
              <Table.Th ta="right">{t('make.cutTo')}</Table.Th>
              <Table.Th ta="right">{t('make.mark')}</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {card.strands.map((s) => (
              <Table.Tr key={s.letter}>
                <Table.Td>
                  <b>{s.letter}</b> {strandName(t, s.role, s.number)}
                </Table.Td>
                <Table.Td className={classes.strand}>
                  <Swatch colour={s.colour} /> {s.articleCode}
                </Table.Td>
                <Table.Td ta="right" className="figure">
                  {formatLength(s.cutUm, units, 'cut')}
                </Table.Td>
                <Table.Td ta="right" className="figure">
                  {s.mark ? formatLength(s.mark.um, units) : ''}
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      </Table.ScrollContainer>
      {card.parts.map((p) => (
        <Text key={p.slot} size="sm">
          <b className="figure">{p.quantity}</b> × {partName(t, p.slot)}
          {p.articleName ? ` · ${p.articleCode} ${p.articleName}` : ''}
        </Text>
      ))}
      {tools.length > 0 && (
        <Text size="sm">
          {t('make.toolsOfAll', { tools: tools.map((tool) => t(`make.tool.${tool}`)).join(', ') })}
        </Text>
      )}
    </Stack>
  );
}
