import { Button, Group } from '@mantine/core';
import { useTranslation } from 'react-i18next';

interface Paged {
  hasNextPage: boolean;
  isFetchingNextPage: boolean;
  fetchNextPage: () => unknown;
}

/** Asks for the next page of a list, where there is one. */
export function More({ query }: { query: Paged }) {
  const { t } = useTranslation();
  if (!query.hasNextPage) return null;
  return (
    <Group justify="center">
      <Button variant="default" loading={query.isFetchingNextPage} onClick={() => query.fetchNextPage()}>
        {t('more')}
      </Button>
    </Group>
  );
}
