import { Button, Group, Select, Stack, Text, Textarea, TextInput, Title } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { houseQuery, useKeepHouse } from './queries';

/** The house's name, its money, and where its days begin and end. */
export function HousePanel({ owner }: { owner: boolean }) {
  const { t } = useTranslation();
  const house = useQuery(houseQuery);
  return (
    <Stack className="panel" p="md" maw={680} gap="sm">
      <Title order={2} size="h4">
        {t('house.title')}
      </Title>
      <Await query={house}>{(kept) => <Fields kept={kept} owner={owner} />}</Await>
    </Stack>
  );
}

function Fields({ kept, owner }: { kept: Schemas['House']; owner: boolean }) {
  const { t } = useTranslation();
  const keep = useKeepHouse();
  const [house, setHouse] = useState(kept);
  const problem = (field: string) =>
    keep.error instanceof ProblemError ? keep.error.field(field) : undefined;
  const set = (change: Partial<Schemas['House']>) => setHouse({ ...house, ...change });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(house, {
      onSuccess: ({ revision }) => {
        setHouse((typed) => ({ ...typed, revision }));
        notifications.show({ message: t('house.kept'), color: 'board' });
      },
    });
  };
  return (
    <Stack component="form" onSubmit={submit} gap="sm">
      <Group gap="sm" align="flex-start">
        <TextInput
          w={210}
          label={t('house.name')}
          readOnly={!owner}
          value={house.name}
          onChange={(e) => set({ name: e.currentTarget.value })}
          error={problem('name')}
        />
        <TextInput
          w={170}
          label={t('house.currency')}
          readOnly={!owner}
          value={house.currency}
          onChange={(e) => set({ currency: e.currentTarget.value })}
          error={problem('currency')}
        />
        <Select
          w={240}
          label={t('house.zone')}
          searchable
          readOnly={!owner}
          allowDeselect={false}
          limit={60}
          data={zones(house.zone)}
          value={house.zone}
          onChange={(zone) => set({ zone: zone ?? kept.zone })}
          error={problem('zone')}
        />
      </Group>
      <Textarea
        maw={440}
        label={t('house.address')}
        description={t('house.address.words')}
        readOnly={!owner}
        autosize
        minRows={2}
        maxLength={400}
        value={house.address ?? ''}
        onChange={(e) => set({ address: e.currentTarget.value })}
        error={problem('address')}
      />
      <Text size="sm" c="dimmed">
        {t('house.words')}
      </Text>
      <ProblemNote error={keep.error} shown={['name', 'currency', 'zone', 'address']} />
      {owner && (
        <Group>
          <Button type="submit" variant="default" loading={keep.isPending}>
            {t('house.keep')}
          </Button>
        </Group>
      )}
    </Stack>
  );
}

/** All that this browser knows, and the one that is kept. */
function zones(kept: string): string[] {
  const known = Intl.supportedValuesOf('timeZone');
  return known.includes(kept) ? known : [kept, ...known];
}
