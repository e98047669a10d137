import { Button, Code, Group, Menu, NativeSelect, Stack, Text, Title } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { api, ask } from '../../api/client';
import { WORKPLAN } from '../../shared/days';
import { formatTime } from '../../shared/format';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import type { Maker } from './board';

const PAPERS = { A4: 'A4', LETTER: 'Letter' };
const FILES = ['ics', 'csv', 'json'] as const;

/** The published plan on paper and as files. */
export function FilesMenu() {
  const { t } = useTranslation();
  return (
    <Menu position="bottom-end">
      <Menu.Target>
        <Button variant="default">{t('days.files')}</Button>
      </Menu.Target>
      <Menu.Dropdown>
        {Object.entries(PAPERS).map(([paper, name]) => (
          <Menu.Item key={paper} component="a" href={`/api/workplan/plan.pdf?paper=${paper}`} target="_blank">
            {t('days.files.print', { paper: name })}
          </Menu.Item>
        ))}
        {FILES.map((file) => (
          <Menu.Item key={file} component="a" href={`/api/workplan/plan.${file}`} download>
            {t(`days.files.${file}`)}
          </Menu.Item>
        ))}
      </Menu.Dropdown>
    </Menu>
  );
}

const FEEDS = [...WORKPLAN, 'feeds'];

/** Secret addresses for calendars: each is shown once, and withdrawn at once. */
export function Feeds({ makers }: { makers: Maker[] }) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const feeds = useQuery({ queryKey: FEEDS, queryFn: () => ask(api.GET('/api/workplan/feeds')) });
  const [person, setPerson] = useState('');
  const settled = { onSettled: () => client.invalidateQueries({ queryKey: FEEDS }) };
  const make = useMutation({
    mutationFn: (whose: number | undefined) =>
      ask(api.POST('/api/workplan/feeds', { body: { person: whose } })),
    ...settled,
  });
  const withdraw = useMutation({
    mutationFn: (id: number) => ask(api.DELETE('/api/workplan/feeds/{id}', { params: { path: { id } } })),
    ...settled,
  });
  const name = (whose: number | undefined) =>
    makers.find((m) => m.person === whose)?.name ?? t('days.feeds.all');
  return (
    <Stack component="section" className="panel" p="sm" gap="xs" aria-label={t('days.feeds')}>
      <Title order={2} size="h4">
        {t('days.feeds')}
      </Title>
      <Text size="sm" maw={760}>
        {t('days.feeds.words')}
      </Text>
      <Group gap="sm" align="flex-end">
        <NativeSelect
          label={t('days.feeds.whose')}
          value={person}
          onChange={(e) => setPerson(e.currentTarget.value)}
          data={[
            { value: '', label: t('days.feeds.all') },
            ...makers.map((m) => ({ value: String(m.person), label: m.name })),
          ]}
        />
        <Button
          variant="default"
          loading={make.isPending}
          onClick={() => make.mutate(person === '' ? undefined : Number(person))}
        >
          {t('days.feeds.make')}
        </Button>
      </Group>
      {make.data && (
        <Stack gap={4} aria-live="polite">
          <Text size="sm">{t('days.feeds.once')}</Text>
          <Code block>{`${window.location.origin}${make.data.path}`}</Code>
        </Stack>
      )}
      <ProblemNote error={make.error ?? withdraw.error} />
      <Await query={feeds}>
        {(all) =>
          all.feeds.length === 0 ? (
            <Text size="sm" c="dimmed">
              {t('days.feeds.none')}
            </Text>
          ) : (
            all.feeds.map((feed) => (
              <Group key={feed.id} justify="space-between" gap="sm">
                <Text size="sm">
                  {name(feed.person)} ·{' '}
                  {t('days.feeds.made', { when: formatTime(feed.madeAt), name: feed.madeBy })}
                </Text>
                <Button
                  size="compact-sm"
                  variant="subtle"
                  loading={withdraw.isPending}
                  onClick={() => withdraw.mutate(feed.id)}
                >
                  {t('days.feeds.withdraw')}
                </Button>
              </Group>
            ))
          )
        }
      </Await>
    </Stack>
  );
}
