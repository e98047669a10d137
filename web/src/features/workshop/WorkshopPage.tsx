import { Button, Group, PasswordInput, SegmentedControl, Stack, Table, Text, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError } from '../../api/client';
import { Await, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { PriceRules } from '../orders/PriceRules';
import { ShopFeeds } from '../shop/ShopFeeds';
import { OpenMinutes } from './OpenMinutes';
import { peopleQuery, useAddPerson, useSession } from './queries';

export function WorkshopPage() {
  const { t } = useTranslation();
  const { data: session } = useSession();
  return (
    <Page title={t('nav.workshop')}>
      <Text maw={680}>{t('later.workshop')}</Text>
      <OpenMinutes owner={session?.role === 'OWNER'} />
      <PriceRules owner={session?.role === 'OWNER'} />
      {session?.role === 'OWNER' && <ShopFeeds />}
      {session?.role === 'OWNER' && <People />}
    </Page>
  );
}

function People() {
  const { t } = useTranslation();
  const people = useQuery(peopleQuery);
  return (
    <Stack className="panel" p="md" maw={680}>
      <Await query={people}>
        {(rows) => (
          <Table>
            <Table.Thead>
              <Table.Tr>
                <Table.Th>{t('people.name')}</Table.Th>
                <Table.Th>{t('people.role')}</Table.Th>
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {rows.map((p) => (
                <Table.Tr key={p.name}>
                  <Table.Td>{p.name}</Table.Td>
                  <Table.Td>{t(`role.${p.role}`)}</Table.Td>
                </Table.Tr>
              ))}
            </Table.Tbody>
          </Table>
        )}
      </Await>
      <AddPerson />
    </Stack>
  );
}

function AddPerson() {
  const { t } = useTranslation();
  const add = useAddPerson();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [role, setRole] = useState<'OWNER' | 'MAKER'>('MAKER');
  const problem = (field: string) => (add.error instanceof ProblemError ? add.error.field(field) : undefined);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    add.mutate(
      { name, password, role },
      {
        onSuccess: () => {
          setName('');
          setPassword('');
        },
      },
    );
  };
  return (
    <form onSubmit={submit}>
      <Group align="flex-start">
        <TextInput
          label={t('people.name')}
          value={name}
          onChange={(e) => setName(e.currentTarget.value)}
          error={problem('name')}
        />
        <PasswordInput
          label={t('signIn.password')}
          w={220}
          autoComplete="new-password"
          value={password}
          onChange={(e) => setPassword(e.currentTarget.value)}
          error={problem('password')}
        />
        <SegmentedControl
          mt={25}
          aria-label={t('people.role')}
          value={role}
          onChange={(r) => setRole(r as 'OWNER' | 'MAKER')}
          data={[
            { value: 'MAKER', label: t('role.MAKER') },
            { value: 'OWNER', label: t('role.OWNER') },
          ]}
        />
        <Button type="submit" mt={25} loading={add.isPending}>
          {t('people.add')}
        </Button>
      </Group>
      <ProblemNote error={add.error} shown={['name', 'password']} />
    </form>
  );
}
