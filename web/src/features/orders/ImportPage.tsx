import { Alert, Button, Code, Group, Progress, Stack, Text } from '@mantine/core';
import { Dropzone } from '@mantine/dropzone';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { deliveryQuery, deliveryTextQuery } from '../../shared/deliveries';
import { jobQuery, stopJob } from '../../shared/jobs';
import { Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import classes from './ImportPage.module.css';
import { Rows } from './ImportRows';
import { Seen, Source } from './ImportSource';
import { sampleFile, type Source as TakenFrom, useImport, usePreview } from './queries';

type How = Schemas['Request'];

type View = Schemas['FileView'];

/**
 * A file of orders: drop it, say which column is what, see what each row would do, mend what is bad, take it. What a shop
 * delivered, and could not be taken by itself, is looked at in the same way.
 */
export default function ImportPage() {
  const [address] = useSearchParams();
  const delivery = Number(address.get('delivery'));
  return delivery > 0 ? <Delivered key={delivery} id={delivery} /> : <Chosen />;
}

/** Looking at what is to be taken, as often as something about it is changed, and taking it. */
function useTaking() {
  const { units } = useUnits();
  const preview = usePreview();
  const [job, setJob] = useState<number>();
  const take = useImport(setJob);
  const [what, setWhat] = useState<TakenFrom>();
  const [how, setHow] = useState<How>({ units });
  const look = (chosen: TakenFrom, next: How) => {
    take.reset();
    setWhat(chosen);
    setHow(next);
    preview.mutate({ what: chosen, how: next });
  };
  const again = (change: Partial<How>) => what && look(what, { ...how, ...change });
  const run = (mode: 'ALL' | 'GOOD_ROWS') => {
    if (!what) return;
    setJob(undefined);
    take.mutate({ what, how, mode });
  };
  return { units, preview, take, job, what, how, look, again, run };
}

function Chosen() {
  const { t } = useTranslation();
  const taking = useTaking();
  const { units, preview, take, what, how, look } = taking;
  const file = what?.file;
  return (
    <Page title={t('import.title')}>
      {!take.data && (
        <Dropzone
          onDrop={(files) => files[0] && look({ file: files[0] }, { units, source: how.source })}
          multiple={false}
          loading={preview.isPending && !preview.data}
          p={preview.data ? 'sm' : 'xl'}
          inputProps={{ 'aria-label': t('import.choose') }}
        >
          <Text ta="center" fw={600}>
            {file ? t('import.another', { name: file.name }) : t('import.drop')}
          </Text>
          {!preview.data && (
            <Text ta="center" size="sm" c="dimmed">
              {t('import.columns')}
            </Text>
          )}
        </Dropzone>
      )}
      {!file && (
        <Group justify="center">
          <Button variant="default" onClick={() => sampleFile().then((f) => look({ file: f }, { units }))}>
            {t('import.useSample')}
          </Button>
          <Button variant="subtle" component="a" href="/api/orders/sample.csv" download>
            {t('import.downloadSample')}
          </Button>
        </Group>
      )}
      <Judged taking={taking} />
    </Page>
  );
}

/** What a shop delivered. */
function Delivered({ id }: { id: number }) {
  const { t } = useTranslation();
  const taking = useTaking();
  const { units, look } = taking;
  const delivery = useQuery(deliveryQuery(id));
  const text = useQuery(deliveryTextQuery(id));
  const first = useRef(true);
  useEffect(() => {
    if (first.current) look({ delivery: id }, { units });
    first.current = false;
  });
  return (
    <Page
      title={t('tray.one', { source: delivery.data?.source ?? '' })}
      actions={
        <Button component={Link} to="/orders/deliveries" variant="default">
          {t('tray.backTo')}
        </Button>
      }
    >
      {delivery.data?.superseded && (
        <Alert color="straw" variant="outline">
          {t('tray.superseded')}
        </Alert>
      )}
      <Judged taking={taking} />
      {text.data && !taking.take.data && (
        <Stack className="panel" p="sm" gap="xs">
          <Text fw={600}>{t('tray.sent')}</Text>
          <Code block className={classes.sent}>
            {text.data}
          </Code>
        </Stack>
      )}
    </Page>
  );
}

function Judged({ taking }: { taking: ReturnType<typeof useTaking> }) {
  const { preview, take, job, what, how, again, run } = taking;
  const { t } = useTranslation();
  const seen = preview.data;
  return (
    <>
      <ProblemNote error={preview.error ?? take.error} />
      {take.isPending && job && <Running id={job} />}
      {take.isSuccess && !take.data && (
        <Alert color="straw" variant="outline" role="status">
          {t('import.stopped')}
        </Alert>
      )}
      {take.data ? (
        <Done view={take.data} />
      ) : (
        seen && (
          <>
            <Source view={seen} how={how} named={what?.delivery !== undefined} onChange={again} />
            {seen.all > 0 && (
              <Seen view={seen} how={how} busy={take.isPending} onTake={run} onChange={again} />
            )}
          </>
        )
      )}
    </>
  );
}

/** How far a long import is; it can be stopped, and then nothing of it is kept. */
function Running({ id }: { id: number }) {
  const { t } = useTranslation();
  const { data } = useQuery(jobQuery(id));
  const known = data && data.whole > 0;
  return (
    <Group className="panel" p="sm" gap="md">
      <Progress
        flex={1}
        value={known ? (100 * data.done) / data.whole : 0}
        aria-label={t('import.running')}
      />
      <Text size="sm">
        {known ? t('import.progress', { done: data.done, total: data.whole }) : t('import.running')}
      </Text>
      <Button variant="default" onClick={() => stopJob(id)}>
        {t('import.cancel')}
      </Button>
    </Group>
  );
}

function Done({ view }: { view: View }) {
  const { t } = useTranslation();
  return (
    <Stack>
      <Alert
        color="board"
        variant="outline"
        title={t('import.done', { count: view.fresh, pieces: view.pieces })}
      >
        {t('import.doneRest', {
          known: view.known,
          accepted: view.accepted,
          different: view.different - view.accepted,
          bad: view.bad,
        })}
      </Alert>
      <Group>
        <Button component={Link} to="/plan" size="md">
          {t('import.plan')}
        </Button>
        <Button component={Link} to="/orders" variant="default">
          {t('import.see')}
        </Button>
      </Group>
      {view.bad > 0 && <Rows rows={view.rows.filter((r) => r.state === 'BAD')} />}
    </Stack>
  );
}
