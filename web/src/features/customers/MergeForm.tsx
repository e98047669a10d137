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
  const [into, setInto] = useState<string | null>(null);
  const [query] = useDebouncedValue(typed.trim(), 150);
  const found = useInfiniteQuery(customersQuery(query));
  const others = (found.data?.pages ?? [])
    .flatMap((page) => page.rows)
    .filter((row) => row.id !== customer.id)
    .map((row) => ({ value: String(row.id), label: row.name }));
  const name = others.find((o) => o.value === into)?.label;
  return (
    <Stack className="panel" p="md" gap="sm" maw={760} role="group" aria-label={t('customers.merge')}>
      <Text>{t('customers.mergeWords', { name: customer.name })}</Text>
      <Select
        label={t('customers.mergeInto')}
        searchable
        data={others}
        value={into}
        onChange={setInto}
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
            merge.mutate(Number(into), {
              onSuccess: () => {
                notifications.show({
                  message: t('customers.merged', { name: customer.name, into: name }),
                  color: 'board',
                });
                navigate(`/customers/${into}`);
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
