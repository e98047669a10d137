import { Button, Group, Text } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { stitchName } from '../../shared/names';
import { Await, Page } from '../../shared/Page';
import { PullingNote } from '../../shared/PullingNote';
import classes from './PatternsPage.module.css';
import { stitchesQuery } from './queries';

/** The library of stitches: each from its path, pulled tight, with the cord it takes and why. */
export default function StitchesPage() {
  const { t } = useTranslation();
  const stitches = useQuery(stitchesQuery);
  return (
    <Page
      title={t('stitches.title')}
      actions={
        <>
          <Button component={Link} to="/patterns" variant="default">
            {t('stitches.toPatterns')}
          </Button>
          <Button component={Link} to="/patterns/stitches/new">
            {t('stitches.new')}
          </Button>
        </>
      }
    >
      <Text size="sm" c="dimmed" maw={760}>
        {t('stitches.hint')}
      </Text>
      <Await query={stitches}>
        {(all) => (
          <div className={classes.book}>
            {all.map((stitch) => (
              <StitchCard key={stitch.code} stitch={stitch} />
            ))}
          </div>
        )}
      </Await>
    </Page>
  );
}

function StitchCard({ stitch }: { stitch: Schemas['StitchView'] }) {
  const { t } = useTranslation();
  const waiting = stitch.pulling.map((p) => p.state).join();
  return (
    <section className={`panel ${classes.card}`} aria-label={stitch.name || stitchName(t, stitch.code)}>
      <img
        key={waiting}
        className={classes.plate}
        src={`/api/stitches/${stitch.code}/picture.svg?s=${waiting}`}
        alt=""
        loading="lazy"
        width={280}
        height={92}
      />
      <Text fw={600}>{stitch.name || stitchName(t, stitch.code)}</Text>
      <StitchFigures stitch={stitch} />
      <PullingNote pulling={stitch.pulling} />
      <Group gap="xs" mt="auto">
        <Button
          size="compact-sm"
          variant="default"
          component="a"
          href={`/api/stitches/${stitch.code}/stitch.json`}
          download
        >
          {t('stitches.json')}
        </Button>
        <Button
          size="compact-sm"
          variant="default"
          component={Link}
          to={`/patterns/stitches/new?from=${stitch.code}`}
        >
          {t('stitches.from')}
        </Button>
      </Group>
    </section>
  );
}

const DIGITS = 2;

/** What it adds, how thick it is, and what each kind of strand uses of its own worked diameter. */
export function StitchFigures({ stitch }: { stitch: Schemas['StitchView'] }) {
  const { t } = useTranslation();
  return (
    <div>
      <Text size="sm" c="dimmed">
        {t('stitches.body', {
          pitch: stitch.pitch.toFixed(DIGITS),
          width: stitch.width.toFixed(DIGITS),
          thickness: stitch.thickness.toFixed(DIGITS),
        })}{' '}
        {stitch.mostCores > 0 &&
          t(stitch.leastCores === stitch.mostCores ? 'stitches.coresExactly' : 'stitches.cores', {
            least: stitch.leastCores,
            most: stitch.mostCores,
          })}
      </Text>
      {stitch.uses.map((use) => (
        <Text key={use.seat} size="sm">
          {t('stitches.use', {
            strands: use.strands,
            seat: t(`seat.${use.seat}`),
            used: use.used.toFixed(DIGITS),
            elements: use.elements.map((e) => t(`element.${e}`)).join(', '),
          })}
        </Text>
      ))}
    </div>
  );
}
