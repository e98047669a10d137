import { Button, Group, Select, Stack, Text } from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { notifications } from '@mantine/notifications';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import type { Schemas } from '../../api/client';
import { customersQuery } from '../../shared/customers';
import { ProblemNote } from '../../shared/ProblemNote';
import { useMerge } from './queries';

/** Says that this customer is another one under another name. */
export function MergeForm({ customer, onClose }: { customer: Schemas['CustomerView']; onClose: () => void }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const merge = useMerge(customer.id);
  const [typed, setTyped] = useState('');
  const [into, setInto] = useState<{ value: string; label: string } | null>(null);
  const [query] = useDebouncedValue(typed.trim(), 150);
  const found = useInfiniteQuery(customersQuery(query));
  const others = (found.data?.pages ?? [])
    .flatMap((page) => page.rows)
    .filter((row) => row.id !== customer.id)
    .map((row) => ({ value: String(row.id), label: row.name }));
  // Whoever is chosen stays choosable while the list is asked for anew, or the choice would be lost with it.
  const choices = into && !others.some((o) => o.value === into.value) ? [into, ...others] : others;
  return (
    <Stack className="panel" p="md" gap="sm" maw={760} role="group" aria-label={t('customers.merge')}>
      <Text>{t('customers.mergeWords', { name: customer.name })}</Text>
      <Select
        label={t('customers.mergeInto')}
        searchable
        data={choices}
        value={into?.value ?? null}
        onChange={(_, option) => setInto(option)}
        onSearchChange={setTyped}
        filter={({ options }) => options}
        nothingFoundMessage={t('customers.noneFound')}
      />
      <ProblemNote error={merge.error} />
      <Group>
        <Button
          disabled={!into}
          loading={merge.isPending}
          onClick={() =>
            merge.mutate(Number(into?.value), {
              onSuccess: () => {
                notifications.show({
                  message: t('customers.merged', { name: customer.name, into: into?.label }),
                  color: 'board',
                });
                navigate(`/customers/${into?.value}`);
              },
            })
          }
        >
          {t('customers.mergeYes')}
        </Button>
        <Button variant="default" onClick={onClose}>
          {t('customers.leave')}
        </Button>
      </Group>
    </Stack>
  );
}
