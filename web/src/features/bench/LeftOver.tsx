import {
  Anchor,
  Button,
  Checkbox,
  Group,
  SegmentedControl,
  Slider,
  Stack,
  Text,
  TextInput,
} from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { devicesQuery, useDevice } from '../../shared/devices';
import { formatLength } from '../../shared/format';
import { LengthField } from '../../shared/LengthField';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { Swatch } from '../../shared/Swatch';
import classes from './Card.module.css';
import { leftOverQuery, useKeepLeftOver, useTakeBackLeftOver, useWeighLeftOver } from './queries';

type Row = Schemas['LeftOverView'];

/** What was left of each strand: typed, told by eye, or weighed. */
export function LeftOver({ piece }: { piece: number }) {
  const { t } = useTranslation();
  const rows = useQuery(leftOverQuery(piece));
  // A piece that became another size has told what was left of it.
  if (rows.data?.length === 0) return null;
  return (
    <section className="panel" aria-label={t('make.left.title')}>
      <Stack p="sm" gap="sm">
        <Text fw={650}>{t('make.left.title')}</Text>
        <Text size="sm" c="dimmed">
          {t('make.left.words')}
        </Text>
        <Await query={rows}>
          {(all) => (
            <>
              {all.map((row) => (
                <OneStrand key={`${row.strand} ${row.logged?.id ?? ''}`} piece={piece} row={row} />
              ))}
              {weighable(all).map((row) => (
                <Weighed key={row.articleCode} piece={piece} row={row} />
              ))}
            </>
          )}
        </Await>
      </Stack>
    </section>
  );
}

/** The first strand of each article that can be told by its weight. */
const weighable = (rows: Row[]) =>
  rows.filter((r, i) => r.weighable && rows.findIndex((o) => o.articleCode === r.articleCode) === i);

function OneStrand({ piece, row }: { piece: number; row: Row }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const [left, setLeft] = useState('');
  const [how, setHow] = useState<'MEASURED' | 'ABOUT'>('MEASURED');
  const keep = useKeepLeftOver(piece);
  const takeBack = useTakeBackLeftOver();
  const doubt =
    keep.error instanceof ProblemError
      ? keep.error.problem.fields?.find((f) => f.code.startsWith('leftOver.'))
      : undefined;
  const save = (believed: boolean) => keep.mutate({ strand: row.strand, left, how, believed, units });
  const meant = doubt?.meantUm;
  const takeMeant = (um: number) => {
    setLeft(formatLength(um, units));
    keep.reset();
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    save(false);
  };
  const name = (
    <Text>
      <b>{row.letter}</b> <Swatch colour={row.colour} /> {row.articleCode}
    </Text>
  );
  if (row.logged) {
    return (
      <Group gap="sm">
        {name}
        <Text>
          <b className="figure">{formatLength(row.logged.leftUm, units)}</b> ·{' '}
          {t(`make.left.how.${row.logged.how}`)} · {t(`make.left.fate.${row.logged.fate}`)}
          {row.logged.ranShort ? ` · ${t('make.left.short')}` : ''}
        </Text>
        <Button
          variant="default"
          mih={44}
          loading={takeBack.isPending}
          onClick={() => row.logged && takeBack.mutate(row.logged.id)}
        >
          {t('make.takeBack')}
        </Button>
        <ProblemNote error={takeBack.error} />
      </Group>
    );
  }
  return (
    <Stack component="form" gap={6} onSubmit={submit}>
      <Group gap="sm" align="flex-start">
        <div className={classes.strandName}>{name}</div>
        <LengthField
          size="md"
          w={190}
          label={t('make.left.of', { letter: row.letter })}
          description={t('make.measure.expected', { length: formatLength(row.expectedUm, units) })}
          value={left}
          onChange={setLeft}
          error={keep.error instanceof ProblemError ? keep.error.field('left') : undefined}
        />
        <SegmentedControl
          size="md"
          mt={25}
          aria-label={t('make.left.how')}
          value={how}
          onChange={(value) => setHow(value as 'MEASURED' | 'ABOUT')}
          data={(['MEASURED', 'ABOUT'] as const).map((value) => ({
            value,
            label: t(`make.left.how.${value}`),
          }))}
        />
        <Button
          type="submit"
          size="md"
          mt={25}
          variant="default"
          loading={keep.isPending}
          disabled={left.trim() === ''}
        >
          {t('make.left.keep')}
        </Button>
        <FromDevice device="COUNTER" words="make.left.counter" onRead={(um) => setLeft(`${um / 1000} mm`)} />
        {how === 'ABOUT' && <Ruler row={row} onTap={setLeft} />}
        {meant !== undefined && (
          <Button size="md" mt={25} onClick={() => takeMeant(meant)}>
            {t('make.left.meant', { length: formatLength(meant, units) })}
          </Button>
        )}
        {doubt && doubt.code !== 'leftOver.MORE_THAN_CUT' && (
          <Button size="md" mt={25} variant="default" onClick={() => save(true)}>
            {t('make.left.believe')}
          </Button>
        )}
      </Group>
      {row.slider && (
        <Text size="sm">
          {t('make.left.slider', {
            piece: row.slider.piece,
            length: formatLength(row.slider.needUm, units, 'cut'),
          })}{' '}
          <Anchor component={Link} to={`/cut/${row.slider.list}`}>
            {t('make.left.sliderList')}
          </Anchor>
        </Text>
      )}
      <ProblemNote error={keep.error} shown={['left']} />
    </Stack>
  );
}

/** Where a ruler is told from by eye: tapped or dragged, in whole centimetres or half inches. */
function Ruler({ row, onTap }: { row: Row; onTap: (length: string) => void }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const metric = units === 'METRIC';
  const unit = metric ? 10_000 : 12_700;
  const most = Math.ceil(Math.min(row.cutUm, Math.max(3 * row.expectedUm, 300_000)) / unit);
  const shown = (step: number) => (metric ? `${step} cm` : `${step / 2} in`);
  return (
    <Slider
      className={classes.ruler}
      size="xl"
      thumbSize={36}
      thumbLabel={t('make.left.of', { letter: row.letter })}
      min={0}
      max={most}
      defaultValue={Math.min(most, Math.round(row.expectedUm / unit))}
      label={shown}
      marks={[0, Math.round(most / 2), most].map((value) => ({ value, label: shown(value) }))}
      onChange={(step) => onTap(shown(step))}
    />
  );
}

function Weighed({ piece, row }: { piece: number; row: Row }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const [weight, setWeight] = useState('');
  const [all, setAll] = useState(false);
  const weigh = useWeighLeftOver();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    weigh.mutate({ pieces: all ? row.together : [piece], article: row.articleCode, weight, units });
  };
  return (
    <Group component="form" gap="sm" align="flex-start" onSubmit={submit}>
      <TextInput
        size="md"
        w={260}
        label={t('make.left.weigh', { article: row.articleCode })}
        value={weight}
        onChange={(e) => setWeight(e.currentTarget.value)}
        error={weigh.error instanceof ProblemError ? weigh.error.field('weight') : undefined}
      />
      {row.together.length > 1 && (
        <Checkbox
          size="md"
          mt={34}
          label={t('make.left.together', { count: row.together.length })}
          checked={all}
          onChange={(e) => setAll(e.currentTarget.checked)}
        />
      )}
      <FromDevice device="SCALE" words="make.left.scale" onRead={(mg) => setWeight(`${mg / 1000} g`)} />
      <Button
        type="submit"
        size="md"
        mt={25}
        variant="default"
        loading={weigh.isPending}
        disabled={weight.trim() === ''}
      >
        {t('make.left.keep')}
      </Button>
    </Group>
  );
}

interface FromDeviceProps {
  device: 'SCALE' | 'COUNTER';
  words: string;
  onRead: (amount: number) => void;
}

/** Fills a field with what a device of the bench shows, where there is one. */
function FromDevice({ device, words, onRead }: FromDeviceProps) {
  const { t } = useTranslation();
  const devices = useQuery(devicesQuery);
  const read = useDevice(device);
  if (!devices.data?.there) return null;
  return (
    <>
      <Button
        size="md"
        mt={25}
        variant="default"
        loading={read.isPending}
        onClick={() => read.mutate(undefined, { onSuccess: ({ amount }) => onRead(amount) })}
      >
        {t(words)}
      </Button>
      <ProblemNote error={read.error} />
    </>
  );
}
