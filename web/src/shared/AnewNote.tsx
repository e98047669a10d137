import { Alert, Anchor, Button, Stack, Table, Text } from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import { infiniteQueryOptions, useInfiniteQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { api, ask } from '../api/client';
import { useUnits } from '../app/units';
import { useAmount } from './amount';
import { formatLength } from './format';
import { More } from './More';

export const anewQuery = infiniteQueryOptions({
  queryKey: ['plan', 'anew'],
  queryFn: ({ pageParam }) => ask(api.GET('/api/plan/anew', { params: { query: { after: pageParam } } })),
  initialPageParam: undefined as string | undefined,
  getNextPageParam: (page) => page.next,
});

/** What corrected formulas changed of pieces that are still to be cut; nothing where they changed nothing. */
export function AnewNote() {
  const { t } = useTranslation();
  const { units } = useUnits();
  const amount = useAmount();
  const [open, { toggle }] = useDisclosure(false);
  const anew = useInfiniteQuery(anewQuery);
  const rows = anew.data?.pages.flatMap((page) => page.rows) ?? [];
  if (rows.length === 0) return null;
  return (
    <Alert title={t('anew.title')}>
      <Stack gap="xs" align="flex-start">
        <Text size="sm">{t('anew.words')}</Text>
        <Button size="compact-sm" variant="default" onClick={toggle} aria-expanded={open}>
          {t(open ? 'anew.hide' : 'anew.show')}
        </Button>
        {open && (
          <>
            <Table.ScrollContainer minWidth={420} w="100%">
              <Table verticalSpacing={4} aria-label={t('anew.title')}>
                <Table.Thead>
                  <Table.Tr>
                    <Table.Th>{t('anew.order')}</Table.Th>
                    <Table.Th>{t('anew.article')}</Table.Th>
                    <Table.Th ta="right">{t('anew.pieces')}</Table.Th>
                    <Table.Th ta="right">{t('anew.before')}</Table.Th>
                    <Table.Th ta="right">{t('anew.after')}</Table.Th>
                  </Table.Tr>
                </Table.Thead>
                <Table.Tbody>
                  {rows.map((row) => {
                    const shown = (quantity: number) =>
                      row.unit === 'METRE'
                        ? formatLength(quantity, units, 'cut')
                        : amount(quantity, row.unit);
                    return (
                      <Table.Tr key={`${row.order}-${row.line}-${row.article}`}>
                        <Table.Td>
                          <Anchor component={Link} to={`/orders/${row.order}`} size="sm">
                            {row.customer}
                          </Anchor>{' '}
                          {t('anew.line', { line: row.line, pattern: row.patternName })}
                        </Table.Td>
                        <Table.Td>{row.article}</Table.Td>
                        <Table.Td ta="right">{row.pieces}</Table.Td>
                        <Table.Td ta="right">{shown(row.before)}</Table.Td>
                        <Table.Td ta="right">{shown(row.after)}</Table.Td>
                      </Table.Tr>
                    );
                  })}
                </Table.Tbody>
              </Table>
            </Table.ScrollContainer>
            <More query={anew} />
          </>
        )}
      </Stack>
    </Alert>
  );
}
