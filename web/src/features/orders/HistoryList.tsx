import { Stack, Table, Text, Title } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { formatTime } from '../../shared/format';

/** Who did what, and when; the newest first. */
export function HistoryList({ history }: { history: Schemas['EventView'][] }) {
  const { t } = useTranslation();
  if (history.length === 0) return null;
  return (
    <Stack className="panel" p="md" gap="xs">
      <Title order={2} size="h4">
        {t('history.title')}
      </Title>
      <Table fz="sm" verticalSpacing={3}>
        <Table.Tbody>
          {history.map((e) => (
            <Table.Tr key={e.id}>
              <Table.Td w={190}>{formatTime(e.at)}</Table.Td>
              <Table.Td w={140}>{e.who}</Table.Td>
              <Table.Td>
                <Text size="sm">
                  {t(`history.${e.what}`, { ...e.detail, count: Number(e.detail.pieces ?? 0) })}
                </Text>
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Stack>
  );
}
