import { Center, Group, Loader, Stack, Text, Title } from '@mantine/core';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemNote } from './ProblemNote';

/** A view's head line with its main actions, and its body. */
export function Page({
  title,
  actions,
  children,
}: {
  title: string;
  actions?: ReactNode;
  children: ReactNode;
}) {
  return (
    <Stack gap="md">
      <Group justify="space-between" align="center" gap="sm">
        <Title order={1} size="h2">
          {title}
        </Title>
        <Group gap="xs" className="no-print">
          {actions}
        </Group>
      </Group>
      {children}
    </Stack>
  );
}

/** Nothing here yet: what to do next, and the button for it. */
export function Empty({ words, children }: { words: string; children?: ReactNode }) {
  return (
    <Stack className="panel" align="center" p="xl" gap="sm">
      <Text ta="center" maw={520}>
        {words}
      </Text>
      <Group gap="xs">{children}</Group>
    </Stack>
  );
}

interface Asked<T> {
  data: T | undefined;
  error: unknown;
  isPending: boolean;
}

/** Shows a query's waiting and failure, and its data once there is some. */
export function Await<T>({ query, children }: { query: Asked<T>; children: (data: T) => ReactNode }) {
  if (query.data !== undefined) return <>{children(query.data)}</>;
  if (query.error) return <ProblemNote error={query.error} />;
  return <Waiting />;
}

/** Something is asked for, and nothing of it is there yet. */
export function Waiting() {
  const { t } = useTranslation();
  return (
    <Center mih={160} aria-busy="true">
      <Loader aria-label={t('loading')} />
    </Center>
  );
}
