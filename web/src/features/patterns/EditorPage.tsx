import { Button, Grid, Group, Select, Stack, Text, Textarea, TextInput } from '@mantine/core';
import { useHotkeys } from '@mantine/hooks';
import { notifications } from '@mantine/notifications';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo, useReducer, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { Await, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { type Definition, EMPTY, step } from './definition';
import { Cords, Parts, Sections, Strands } from './EditorLists';
import { Trial } from './EditorTrial';
import { definitionQuery, trialQuery, useKeepPattern, vocabularyQuery } from './queries';

const KINDS = ['BRACELET', 'FOB', 'NECK_LANYARD', 'WRIST_LANYARD'];

/** Composes a pattern: new, as a copy of another, or the next version of one's own. */
export default function EditorPage() {
  const { code } = useParams();
  const [search] = useSearchParams();
  const from = code ?? search.get('from');
  return from ? <Loaded code={from} copy={code === undefined} /> : <Editor start={EMPTY} before={0} />;
}

function Loaded({ code, copy }: { code: string; copy: boolean }) {
  const { t } = useTranslation();
  const definition = useQuery(definitionQuery(code));
  return (
    <Await query={definition}>
      {(d) => {
        const start = JSON.parse(d.json) as Definition;
        return copy ? (
          <Editor
            key={code}
            start={{ ...start, code: `${start.code}-2`, name: t('editor.copyOf', { name: start.name }) }}
            before={0}
          />
        ) : (
          <Editor key={code} start={start} before={d.version} />
        );
      }}
    </Await>
  );
}

/** Reads a pattern from JSON text, and opens it in the editor. */
export function ReadPage() {
  const { t } = useTranslation();
  const [text, setText] = useState('');
  const [read, setRead] = useState<Definition>();
  const trial = useQuery({ ...trialQuery(text), enabled: false });
  if (read) return <Editor start={read} before={0} />;
  const open = async () => {
    const answer = await trial.refetch();
    if (!answer.error) setRead(JSON.parse(text) as Definition);
  };
  return (
    <Page title={t('patterns.read')}>
      <Stack className="panel" p="md" maw={820}>
        <Text>{t('editor.readHint')}</Text>
        <input
          type="file"
          accept=".json,application/json"
          aria-label={t('editor.file')}
          onChange={async (e) => setText((await e.currentTarget.files?.[0]?.text()) ?? '')}
        />
        <Textarea
          label={t('editor.json')}
          autosize
          minRows={10}
          maxRows={24}
          value={text}
          onChange={(e) => setText(e.currentTarget.value)}
          styles={{ input: { fontFamily: 'var(--mantine-font-family-monospace)' } }}
        />
        <ProblemNote error={trial.error} />
        <Group>
          <Button onClick={open} disabled={text.trim() === ''} loading={trial.isFetching}>
            {t('editor.open')}
          </Button>
        </Group>
      </Stack>
    </Page>
  );
}

function Editor({ start, before }: { start: Definition; before: number }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const vocabulary = useQuery(vocabularyQuery);
  const [history, dispatch] = useReducer(step, { past: [], now: start, future: [] });
  const now = history.now;
  const client = useQueryClient();
  const latest = useRef(now);
  latest.current = now;
  const set = useCallback(
    (change: Partial<Definition>) => {
      const to = { ...latest.current, ...change };
      // The answer is on its way while the editor is still being drawn.
      client.prefetchQuery(trialQuery(JSON.stringify(to)));
      dispatch({ to });
    },
    [client],
  );
  /** The key follows the name until it is given one of its own. */
  const rename = (name: string) =>
    set(before === 0 && now.code === keyOf(now.name) ? { name, code: keyOf(name) } : { name });
  useHotkeys([
    ['mod+Z', () => dispatch('undo')],
    ['mod+shift+Z', () => dispatch('redo')],
  ]);
  const json = JSON.stringify(now);
  // Only what is wrong: a new picture alone draws the panel beside, not all the fields again.
  const judged = useQuery({ ...trialQuery(json), select: judge });
  const keep = useKeepPattern();
  const refused = judged.error instanceof ProblemError ? judged.error.problem.fields : undefined;
  const problems = useMemo(() => refused ?? judged.data?.problems ?? [], [refused, judged.data?.problems]);
  const said = useCallback(
    (field: string, exact = false) =>
      problems
        .filter((p) => (exact ? p.field === field : p.field === field || p.field.startsWith(`${field}.`)))
        .map((p) => `${p.message} ${p.remedy}`),
    [problems],
  );
  const one = (field: string) =>
    said(field, true)[0] ?? (keep.error instanceof ProblemError ? keep.error.field(field) : undefined);
  const place = (field: string) => {
    const [, list = '', index] = /^(sections|roles|cords|hardware)\[(\d+)\]/.exec(field) ?? [];
    return list && t('editor.place', { list: t(`editor.list.${list}`), number: Number(index) + 1 });
  };
  const save = () =>
    keep.mutate(
      { json: JSON.stringify(now), before },
      {
        onSuccess: ({ code, version }) => {
          notifications.show({ message: t('editor.kept', { name: now.name, version }), color: 'board' });
          navigate(`/patterns/${code}`);
        },
      },
    );
  return (
    <Page
      title={before === 0 ? t('editor.newTitle') : t('editor.title', { name: start.name })}
      actions={
        <>
          <Button variant="default" disabled={history.past.length === 0} onClick={() => dispatch('undo')}>
            {t('undo')}
          </Button>
          <Button variant="default" disabled={history.future.length === 0} onClick={() => dispatch('redo')}>
            {t('redo')}
          </Button>
          <Button
            onClick={save}
            loading={keep.isPending}
            disabled={problems.length > 0 || !judged.data?.made}
          >
            {before === 0 ? t('editor.keep') : t('editor.keepVersion', { version: before + 1 })}
          </Button>
        </>
      }
    >
      <ProblemNote error={keep.error} shown={['code', 'name']} />
      <Await query={vocabulary}>
        {(words) => (
          <Grid gap="md">
            <Grid.Col span={{ base: 12, md: 7 }}>
              <Stack gap="md">
                <Group grow align="flex-start" className="panel" p="md">
                  <TextInput
                    label={t('editor.name')}
                    value={now.name}
                    onChange={(e) => rename(e.currentTarget.value)}
                    error={one('name')}
                  />
                  <TextInput
                    label={t('editor.code')}
                    value={now.code}
                    disabled={before > 0}
                    onChange={(e) => set({ code: e.currentTarget.value })}
                    error={one('code')}
                  />
                  <Select
                    label={t('editor.kind')}
                    allowDeselect={false}
                    value={now.kind}
                    data={KINDS.map((k) => ({ value: k, label: t(`patternKind.${k}`) }))}
                    onChange={(kind) => kind && set({ kind })}
                  />
                  {now.kind !== 'BRACELET' && (
                    <TextInput
                      label={t('newOrder.length')}
                      value={now.usualLength}
                      onChange={(e) => set({ usualLength: e.currentTarget.value })}
                      error={one('usualLength') ?? one('length')}
                    />
                  )}
                </Group>
                <Sections now={now} set={set} said={said} words={words} />
                <Strands now={now} set={set} said={said} words={words} />
                <Cords now={now} set={set} said={said} />
                <Parts now={now} set={set} said={said} words={words} />
              </Stack>
            </Grid.Col>
            <Grid.Col span={{ base: 12, md: 5 }}>
              <Stack className="panel" p="md" pos="sticky" top={64} aria-live="polite">
                {problems.length > 0 && (
                  <Text c="var(--act)" fw={600}>
                    {t('editor.cannot', { count: problems.length })}
                  </Text>
                )}
                {problems.map((p) => (
                  <Text key={p.field + p.code} c="var(--act)" size="sm" role="alert">
                    {place(p.field)} {p.message} {p.remedy}
                  </Text>
                ))}
                {!(judged.error instanceof ProblemError && judged.error.problem.fields) && (
                  <ProblemNote error={judged.error} />
                )}
                <Trial json={json} />
              </Stack>
            </Grid.Col>
          </Grid>
        )}
      </Await>
    </Page>
  );
}

const LONGEST_KEY = 40;

function keyOf(name: string): string {
  return name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, LONGEST_KEY);
}

const judge = (trial: Schemas['TrialView']) => ({
  problems: trial.problems,
  made: trial.sample !== undefined,
});
