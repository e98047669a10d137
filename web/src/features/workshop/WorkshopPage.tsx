import {
  Button,
  Group,
  PasswordInput,
  Popover,
  SegmentedControl,
  Stack,
  Table,
  Text,
  TextInput,
  Title,
} from '@mantine/core';
import { useQueries, useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { planRulesQuery } from '../../shared/days';
import { Await, Page, Waiting } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { useSession } from '../../shared/session';
import { waysQuery } from '../../shared/ways';
import { Calendars } from './Calendars';
import { HousePanel } from './HousePanel';
import { OwnHabits } from './OwnHabits';
import { PlanRules } from './PlanRules';
import { PriceRules } from './PriceRules';
import {
  benchRulesQuery,
  calendarsQuery,
  feedsQuery,
  houseQuery,
  peopleQuery,
  priceRulesQuery,
  useAccess,
  useAddPerson,
  useNewPassword,
  useOwnPassword,
  useRole,
  workStepsQuery,
} from './queries';
import { ShopFeeds } from './ShopFeeds';
import { WaysPanel } from './WaysPanel';
import { BenchRules, WorkSteps } from './WorkSteps';

export function WorkshopPage() {
  const { t } = useTranslation();
  const { data: session } = useSession();
  const waiting = useWaiting(session?.role === 'OWNER');
  if (waiting) {
    return (
      <Page title={t('nav.workshop')}>
        <Waiting />
      </Page>
    );
  }
  return (
    <Page title={t('nav.workshop')}>
      <Text maw={680}>{t('workshop.words')}</Text>
      <HousePanel owner={session?.role === 'OWNER'} />
      <Calendars />
      <PlanRules owner={session?.role === 'OWNER'} />
      <WorkSteps owner={session?.role === 'OWNER'} />
      <WaysPanel owner={session?.role === 'OWNER'} />
      <BenchRules owner={session?.role === 'OWNER'} />
      <PriceRules owner={session?.role === 'OWNER'} />
      {session?.role === 'OWNER' && <ShopFeeds />}
      {session?.role === 'OWNER' && <People />}
      {session?.habits && <OwnHabits habits={session.habits} />}
      <OwnPassword />
    </Page>
  );
}

/** Whether some of what the page shows is still to come: it is shown at once, so that nothing moves under a hand. */
function useWaiting(owner: boolean) {
  return useQueries({
    queries: [
      houseQuery,
      calendarsQuery,
      planRulesQuery,
      workStepsQuery,
      waysQuery,
      benchRulesQuery,
      priceRulesQuery,
      { ...feedsQuery, enabled: owner },
      { ...peopleQuery, enabled: owner },
    ],
    combine: (all) => all.some((query) => query.isLoading && !query.isFetched),
  });
}

function People() {
  const { t } = useTranslation();
  const people = useQuery(peopleQuery);
  const role = useRole();
  const access = useAccess();
  return (
    <Stack className="panel" p="md" maw={680}>
      <ProblemNote error={role.error ?? access.error} />
      <Await query={people}>
        {(rows) => (
          <Table verticalSpacing={6}>
            <Table.Thead>
              <Table.Tr>
                <Table.Th>{t('people.name')}</Table.Th>
                <Table.Th>{t('people.role')}</Table.Th>
                <Table.Th className="right">{t('people.access')}</Table.Th>
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {rows.map((p) => (
                <Table.Tr key={p.id}>
                  <Table.Td>
                    {p.name}
                    {p.ended && (
                      <Text size="sm" c="dimmed">
                        {t('people.ended')}
                      </Text>
                    )}
                  </Table.Td>
                  <Table.Td>
                    <SegmentedControl
                      size="xs"
                      aria-label={t('people.roleOf', { name: p.name })}
                      value={p.role}
                      disabled={p.ended || role.isPending}
                      onChange={(next) => role.mutate({ id: p.id, role: next as typeof p.role })}
                      data={[
                        { value: 'MAKER', label: t('role.MAKER') },
                        { value: 'OWNER', label: t('role.OWNER') },
                      ]}
                    />
                  </Table.Td>
                  <Table.Td>
                    <Group gap="xs" justify="flex-end">
                      {!p.ended && <NewPassword person={p} />}
                      <Button
                        size="xs"
                        variant="default"
                        loading={access.isPending && access.variables?.id === p.id}
                        onClick={() => access.mutate(p)}
                      >
                        {t(p.ended ? 'people.back' : 'people.end')}
                      </Button>
                    </Group>
                  </Table.Td>
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

/** A new password for somebody who forgot theirs. */
function NewPassword({ person }: { person: Schemas['PersonView'] }) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const [password, setPassword] = useState('');
  const keep = useNewPassword();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(
      { id: person.id, password },
      {
        onSuccess: () => {
          setOpen(false);
          setPassword('');
        },
      },
    );
  };
  return (
    <Popover opened={open} onChange={setOpen} trapFocus withArrow>
      <Popover.Target>
        <Button size="xs" variant="default" onClick={() => setOpen(!open)}>
          {t('people.newPassword')}
        </Button>
      </Popover.Target>
      <Popover.Dropdown>
        <form onSubmit={submit}>
          <Stack gap="xs">
            <PasswordInput
              label={t('people.newPasswordFor', { name: person.name })}
              w={240}
              autoComplete="new-password"
              value={password}
              onChange={(e) => setPassword(e.currentTarget.value)}
              error={keep.error instanceof ProblemError ? keep.error.field('password') : undefined}
            />
            <ProblemNote error={keep.error} shown={['password']} />
            <Button type="submit" size="xs" loading={keep.isPending}>
              {t('people.setPassword')}
            </Button>
          </Stack>
        </form>
      </Popover.Dropdown>
    </Popover>
  );
}

/** Everybody changes their own password; they come in anew with it. */
function OwnPassword() {
  const { t } = useTranslation();
  const [before, setBefore] = useState('');
  const [password, setPassword] = useState('');
  const change = useOwnPassword();
  const problem = (field: string) =>
    change.error instanceof ProblemError ? change.error.field(field) : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    change.mutate({ before, password });
  };
  return (
    <form onSubmit={submit}>
      <Stack className="panel" p="md" maw={680} gap="xs">
        <Title order={2} size="h4">
          {t('people.ownPassword')}
        </Title>
        <Group align="flex-start">
          <PasswordInput
            label={t('people.before')}
            w={220}
            autoComplete="current-password"
            value={before}
            onChange={(e) => setBefore(e.currentTarget.value)}
            error={problem('before')}
          />
          <PasswordInput
            label={t('people.after')}
            w={220}
            autoComplete="new-password"
            value={password}
            onChange={(e) => setPassword(e.currentTarget.value)}
            error={problem('password')}
          />
          <Button type="submit" mt={25} variant="default" loading={change.isPending}>
            {t('people.change')}
          </Button>
        </Group>
        <Text size="sm" c="dimmed">
          {t('people.changeHint')}
        </Text>
        <ProblemNote error={change.error} shown={['before', 'password']} />
      </Stack>
    </form>
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
