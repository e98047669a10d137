import { Button, Grid, Stack, Text, Textarea, TextInput } from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate, useSearchParams } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { Await, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { PullingNote } from '../../shared/PullingNote';
import classes from './PatternsPage.module.css';
import { stitchJsonQuery, stitchTrialQuery, useKeepStitchPath } from './queries';
import { StitchFigures } from './StitchesPage';

/** Composes a stitch from its strands' paths, starting from one of the library's or one's own. */
export default function StitchPage() {
  const [search] = useSearchParams();
  const from = search.get('from') ?? 'square-knot';
  const start = useQuery(stitchJsonQuery(from));
  return (
    <Await query={start}>
      {(json) => {
        const code = from.startsWith('own:') ? from.slice(4) : `${from}-2`;
        return <Composer key={from} start={pretty({ ...(json as unknown as object), code })} />;
      }}
    </Await>
  );
}

/** Indented, with each point on one line. */
const pretty = (json: object) =>
  JSON.stringify(json, null, 2).replace(/\[\s+(-?[\d.]+),\s+(-?[\d.]+),\s+(-?[\d.]+)\s+\]/g, '[$1, $2, $3]');

function Composer({ start }: { start: string }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [json, setJson] = useState(start);
  const [settled] = useDebouncedValue(json, 200);
  const trial = useQuery(stitchTrialQuery(settled));
  const keep = useKeepStitchPath();
  const unread = trial.error instanceof ProblemError ? (trial.error.problem.fields ?? []) : [];
  const problems = trial.error ? unread : (trial.data?.problems ?? []);
  const save = () =>
    keep.mutate(
      { name, json },
      {
        onSuccess: () => {
          notifications.show({ message: t('stitches.kept', { name }), color: 'board' });
          navigate('/patterns/stitches');
        },
      },
    );
  return (
    <Page
      title={t('stitches.newTitle')}
      actions={
        <Button onClick={save} loading={keep.isPending} disabled={problems.length > 0}>
          {t('stitches.keep')}
        </Button>
      }
    >
      <Grid gap="md">
        <Grid.Col span={{ base: 12, md: 7 }}>
          <Stack className="panel" p="md">
            <Text size="sm">{t('stitches.pathHint')}</Text>
            <TextInput
              label={t('editor.name')}
              value={name}
              onChange={(e) => setName(e.currentTarget.value)}
              error={keep.error instanceof ProblemError ? keep.error.field('name') : undefined}
            />
            <Textarea
              label={t('stitches.path')}
              autosize
              minRows={16}
              maxRows={26}
              spellCheck={false}
              value={json}
              onChange={(e) => setJson(e.currentTarget.value)}
              styles={{ input: { fontFamily: 'var(--mantine-font-family-monospace)', fontSize: 13 } }}
            />
            <ProblemNote error={keep.error} shown={['name']} />
          </Stack>
        </Grid.Col>
        <Grid.Col span={{ base: 12, md: 5 }}>
          <Stack className="panel" p="md" pos="sticky" top={64} aria-live="polite">
            {problems.length > 0 && (
              <Text c="var(--act)" fw={600}>
                {t('stitches.cannot')}
              </Text>
            )}
            {problems.map((p) => (
              <Text key={p.field + p.code} c="var(--act)" size="sm" role="alert">
                {p.field}: {p.message} {p.remedy}
              </Text>
            ))}
            {unread.length === 0 && <ProblemNote error={trial.error} />}
            {trial.data?.stitch && <Preview stitch={trial.data.stitch} svg={trial.data.svg} />}
          </Stack>
        </Grid.Col>
      </Grid>
    </Page>
  );
}

function Preview({ stitch, svg }: { stitch: Schemas['StitchView']; svg: string }) {
  const { t } = useTranslation();
  return (
    <>
      <img
        className={classes.plate}
        src={`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`}
        alt={t('stitches.picture')}
        width={280}
        height={92}
      />
      <StitchFigures stitch={stitch} />
      <PullingNote pulling={stitch.pulling} />
    </>
  );
}
