import { Stack, Table, Text, Title } from '@mantine/core';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { formatTime } from '../../shared/format';
import { More } from '../../shared/More';
import { versionsQuery } from './queries';

/** How a pattern came to be what it is; nothing for one that never changed. */
export function Versions({ code }: { code: string }) {
  const { t } = useTranslation();
  const query = useInfiniteQuery(versionsQuery(code));
  const versions = query.data?.pages.flatMap((page) => page.rows) ?? [];
  if (versions.length < 2) return null;
  return (
    <Stack className="panel" p="md" gap="xs">
      <Title order={2} size="h4">
        {t('versions.title')}
      </Title>
      <Text size="sm">{t('versions.words')}</Text>
      <Table fz="sm" verticalSpacing={3}>
        <Table.Tbody>
          {versions.map((v) => (
            <Table.Tr key={v.version}>
              <Table.Td w={110}>{t('versions.number', { version: v.version })}</Table.Td>
              <Table.Td w={190}>{formatTime(v.at)}</Table.Td>
              <Table.Td w={140}>{v.shipped ? t('versions.shipped') : v.who}</Table.Td>
              <Table.Td>
                {v.changed.length > 0 && (
                  <Text size="sm">
                    {t('versions.changed', {
                      what: v.changed.map((c) => t(`versions.changed.${c}`)).join(', '),
                    })}
                  </Text>
                )}
                {v.why && <Text size="sm">{t(`revision.${v.why}`)}</Text>}
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      <More query={query} />
    </Stack>
  );
}
