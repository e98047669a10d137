import { Stack, Switch, Text, Title } from '@mantine/core';
import type { UseMutationResult, UseQueryResult } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';

interface Props<Name extends string, Kept extends Record<Name, boolean>> {
  /** What the messages are called. */
  prefix: string;
  names: readonly Name[];
  query: UseQueryResult<Kept>;
  keep: UseMutationResult<unknown, unknown, Kept>;
  owner: boolean;
}

/** Habits of the house that are on or off; the owner turns them. */
export function Switches<Name extends string, Kept extends Record<Name, boolean>>({
  prefix,
  names,
  query,
  keep,
  owner,
}: Props<Name, Kept>) {
  const { t } = useTranslation();
  return (
    <Stack className="panel" p="md" maw={680} gap="sm">
      <Title order={2} size="h4">
        {t(`${prefix}.title`)}
      </Title>
      <Text size="sm">{t(`${prefix}.words`)}</Text>
      <Await query={query}>
        {(kept) => (
          <>
            {names.map((name) => {
              const words: string = `${prefix}.${name}`;
              return (
                <Switch
                  key={name}
                  label={t(words)}
                  description={t(`${words}Words`)}
                  checked={kept[name]}
                  disabled={!owner || keep.isPending}
                  onChange={(e) => keep.mutate({ ...kept, [name]: e.currentTarget.checked })}
                />
              );
            })}
          </>
        )}
      </Await>
      <ProblemNote error={keep.error} />
    </Stack>
  );
}
