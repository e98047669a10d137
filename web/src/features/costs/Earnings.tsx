import { Stack, Table, Text, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Money } from '../../shared/Figures';
import { Await } from '../../shared/Page';
import { inMinutes } from '../../shared/risk';
import { earningsQuery } from './queries';

/** What an hour of hands earned by each pattern, and what one would have to be sold for by the house's rules. */
export function Earnings({ from, to }: { from: string; to: string }) {
  const { t } = useTranslation();
  const earnings = useQuery(earningsQuery(from, to));
  return (
    <Stack component="section" className="panel" p="md" gap="xs" aria-label={t('earn.title')}>
      <Title order={2} size="h4">
        {t('earn.title')}
      </Title>
      <Text size="sm">{t('earn.words')}</Text>
      <Await query={earnings}>
        {({ rows }) =>
          rows.length === 0 ? (
            <Text size="sm" c="dimmed">
              {t('earn.none')}
            </Text>
          ) : (
            <Table fz="sm" verticalSpacing={4}>
              <Table.Thead>
                <Table.Tr>
                  <Table.Th>{t('costs.by.PATTERN')}</Table.Th>
                  <Table.Th className="right">{t('costs.pieces')}</Table.Th>
                  <Table.Th className="right">{t('earn.perHour')}</Table.Th>
                  <Table.Th className="right">{t('earn.range')}</Table.Th>
                  <Table.Th className="right">{t('earn.took')}</Table.Th>
                  <Table.Th className="right">{t('earn.sold')}</Table.Th>
                  <Table.Th className="right">{t('earn.wanted')}</Table.Th>
                </Table.Tr>
              </Table.Thead>
              <Table.Tbody>
                {rows.map((row) => (
                  <Table.Tr key={row.pattern}>
                    <Table.Td>{row.patternName}</Table.Td>
                    <Table.Td className="right">{row.pieces}</Table.Td>
                    {row.perHour === undefined ? (
                      <Table.Td colSpan={5}>{t('earn.tooFew')}</Table.Td>
                    ) : (
                      <>
                        <Table.Td className="right">
                          <Money value={row.perHour} strong />
                        </Table.Td>
                        <Table.Td className="right">
                          <Money value={row.least ?? 0} /> – <Money value={row.most ?? 0} />
                        </Table.Td>
                        <Table.Td className="right">
                          {inMinutes(t, row.workedSeconds ?? 0)} · <Money value={row.material ?? 0} />
                        </Table.Td>
                        <Table.Td className="right">
                          <Money value={row.priceAgreed ?? 0} />
                        </Table.Td>
                        <Table.Td className="right">
                          <Money value={row.priceWanted ?? 0} />
                        </Table.Td>
                      </>
                    )}
                  </Table.Tr>
                ))}
              </Table.Tbody>
            </Table>
          )
        }
      </Await>
    </Stack>
  );
}
