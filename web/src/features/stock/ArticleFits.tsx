import { Group, Table, Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { Swatch } from '../../shared/Swatch';
import { Section } from './ArticleSection';

type Card = Schemas['CardView'];

/** From a cord the parts that take it, from a part the cords it takes. */
export function Fits({ card }: { card: Card }) {
  const { t } = useTranslation();
  return (
    <Section title={t(card.article.kind === 'CORD' ? 'card.parts' : 'card.cords')}>
      {card.fits.length === 0 ? (
        <Text c="dimmed">{t('card.noFits')}</Text>
      ) : (
        <Table fz="sm" verticalSpacing={4}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('receive.article')}</Table.Th>
              <Table.Th>{t('card.takes')}</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {card.fits.map((f) => (
              <Table.Tr key={f.code}>
                <Table.Td>
                  <Group gap={6} wrap="nowrap">
                    <Swatch colour={f.colour} />
                    <Link to={`/stock/articles/${f.code}`}>
                      {f.name} ({f.code})
                    </Link>
                  </Group>
                  {f.onHand === 0 && (
                    <Text size="xs" c="dimmed">
                      {t('stock.empty')}
                    </Text>
                  )}
                </Table.Td>
                <Table.Td>
                  {f.tapered > 0 && (
                    <div>
                      {f.through > 0 ? t('card.through', { count: f.through }) : t('card.onlyTapered')}
                      {f.tapered > f.through && `, ${t('card.tapered', { count: f.tapered })}`}
                    </div>
                  )}
                  {f.bunched > 0 && (
                    <div>
                      {t('card.onBar', { count: f.onBar })}
                      {f.bunched > f.onBar && `, ${t('card.bunched', { count: f.bunched })}`}
                    </div>
                  )}
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
    </Section>
  );
}
