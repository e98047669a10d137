import { Button, Center, PasswordInput, Stack, Text, TextInput, Title } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { ProblemNote } from '../../shared/ProblemNote';
import { useSetUp, useSignIn } from './queries';

/** Signing in; on the very first visit, making the owner. */
export function SignInPage({ session }: { session: Schemas['SessionView'] }) {
  const { t } = useTranslation();
  const fresh = session.needsOwner;
  const signIn = useSignIn();
  const setUp = useSetUp();
  const asked = fresh ? setUp : signIn;
  const [workshop, setWorkshop] = useState('');
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');

  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (fresh) setUp.mutate({ workshop, name, password, zone: hereZone() });
    else signIn.mutate({ name, password });
  };
  const problem = (field: string) =>
    asked.error instanceof ProblemError ? asked.error.field(field) : undefined;

  return (
    <Center mih="100vh" p="md">
      <Stack component="form" onSubmit={submit} className="panel" p="xl" w={420} gap="sm">
        <Title order={1} size="h2">
          {fresh ? t('signIn.firstVisit') : t('signIn.title', { workshop: session.workshop })}
        </Title>
        <Text c="dimmed">{fresh ? t('signIn.firstVisitWords') : t('signIn.words')}</Text>
        {fresh && (
          <TextInput
            label={t('signIn.workshop')}
            value={workshop}
            onChange={(e) => setWorkshop(e.currentTarget.value)}
            error={problem('workshop')}
          />
        )}
        <TextInput
          label={t('signIn.name')}
          autoComplete="username"
          value={name}
          onChange={(e) => setName(e.currentTarget.value)}
          error={problem('name')}
        />
        <PasswordInput
          label={t('signIn.password')}
          autoComplete={fresh ? 'new-password' : 'current-password'}
          value={password}
          onChange={(e) => setPassword(e.currentTarget.value)}
          error={problem('password')}
          description={fresh ? t('signIn.passwordRule') : undefined}
        />
        <ProblemNote error={asked.error} shown={['workshop', 'name', 'password']} />
        <Button type="submit" loading={asked.isPending} size="md">
          {fresh ? t('signIn.create') : t('signIn.enter')}
        </Button>
        {session.demo && !fresh && (
          <Text size="sm" c="dimmed">
            {t('signIn.demo')}
          </Text>
        )}
      </Stack>
    </Center>
  );
}

/** The house stands where it is set up, until its owner says otherwise. */
function hereZone(): string {
  return Intl.DateTimeFormat().resolvedOptions().timeZone;
}
