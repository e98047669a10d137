import {
  ActionIcon,
  AppShell,
  Burger,
  Group,
  Menu,
  SegmentedControl,
  Text,
  TextInput,
  UnstyledButton,
  useComputedColorScheme,
  useMantineColorScheme,
} from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import { type FormEvent, type ReactNode, useLayoutEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useLocation, useNavigate } from 'react-router';
import type { Schemas } from '../api/client';
import { useKeepHabits, useSignOut } from '../shared/session';
import { Rail } from './Rail';
import { type Units, useUnits } from './units';

/** The rail on the left, the top line, and the view. */
export function Frame({ session, children }: { session: Schemas['SessionView']; children: ReactNode }) {
  const { t } = useTranslation();
  const [open, { toggle, close }] = useDisclosure();
  const { units, setUnits } = useUnits();
  const keep = useKeepHabits();
  const { habits } = session;
  // What somebody chose elsewhere holds here too.
  useLayoutEffect(() => {
    if (habits) setUnits(habits.units);
  }, [habits, setUnits]);
  const place = useLocation().pathname.split('/')[1] ?? '';
  return (
    <AppShell
      layout="alt"
      header={{ height: 52 }}
      navbar={{ width: 196, breakpoint: 'sm', collapsed: { mobile: !open } }}
      padding="md"
    >
      <AppShell.Header px="md" bg="var(--panel)">
        <Group h="100%" justify="space-between" wrap="nowrap" gap="sm">
          <Group gap="sm" wrap="nowrap">
            <Burger opened={open} onClick={toggle} hiddenFrom="sm" size="sm" aria-label={t('frame.menu')} />
            <Text fw={650} truncate visibleFrom="xs">
              {session.workshop} · {t(`nav.${place}`, { defaultValue: '' })}
            </Text>
          </Group>
          <Group gap="xs" wrap="nowrap">
            <Search />
            <SegmentedControl
              size="xs"
              aria-label={t('frame.units')}
              value={units}
              onChange={(u) => {
                setUnits(u as Units);
                if (habits) keep.mutate({ ...habits, units: u as Units });
              }}
              data={[
                { value: 'METRIC', label: t('frame.metric') },
                { value: 'IMPERIAL', label: t('frame.imperial') },
              ]}
            />
            <SchemeSwitch />
            <Who session={session} />
          </Group>
        </Group>
      </AppShell.Header>
      <AppShell.Navbar p="xs" bg="var(--panel)">
        <Group justify="space-between" px={6} pb={6}>
          <Text fw={750} size="lg" c="var(--go)">
            Restis
          </Text>
          <Burger opened={open} onClick={toggle} hiddenFrom="sm" size="sm" aria-label={t('frame.menu')} />
        </Group>
        <Rail onGo={close} />
      </AppShell.Navbar>
      <AppShell.Main>{children}</AppShell.Main>
    </AppShell>
  );
}

function Search() {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const [text, setText] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    navigate(`/orders?query=${encodeURIComponent(text.trim())}`);
  };
  return (
    <form onSubmit={submit}>
      <TextInput
        size="xs"
        w={180}
        visibleFrom="md"
        type="search"
        placeholder={t('frame.search')}
        aria-label={t('frame.search')}
        value={text}
        onChange={(e) => setText(e.currentTarget.value)}
      />
    </form>
  );
}

function SchemeSwitch() {
  const { t } = useTranslation();
  const { setColorScheme } = useMantineColorScheme();
  const scheme = useComputedColorScheme('light');
  const next = scheme === 'dark' ? 'light' : 'dark';
  return (
    <ActionIcon
      variant="default"
      size={30}
      aria-label={t(`frame.${next}`)}
      onClick={() => setColorScheme(next)}
    >
      <svg viewBox="0 0 16 16" width="16" height="16" aria-hidden="true">
        <circle cx="8" cy="8" r="6" fill="none" stroke="currentColor" strokeWidth="1.5" />
        <path d="M8 2a6 6 0 0 1 0 12z" fill="currentColor" />
      </svg>
    </ActionIcon>
  );
}

function Who({ session }: { session: Schemas['SessionView'] }) {
  const { t } = useTranslation();
  const signOut = useSignOut();
  return (
    <Menu position="bottom-end" withArrow>
      <Menu.Target>
        <UnstyledButton aria-label={t('frame.who', { name: session.name })}>
          <Text size="sm" fw={600}>
            {session.name}
          </Text>
          <Text size="xs" c="dimmed" lh={1}>
            {t(`role.${session.role}`)}
          </Text>
        </UnstyledButton>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Item onClick={() => signOut.mutate()}>{t('frame.signOut')}</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
