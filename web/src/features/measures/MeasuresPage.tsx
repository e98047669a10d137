import {
  Button,
  Grid,
  Group,
  NumberInput,
  Select,
  Stack,
  Table,
  Text,
  TextInput,
  Title,
} from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Length } from '../../shared/Figures';
import { formatDay } from '../../shared/format';
import { LengthField } from '../../shared/LengthField';
import { Await, Empty, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { sizesQuery } from '../../shared/piece/queries';
import { useSession } from '../workshop/queries';
import { MaterialList } from './MaterialList';
import { Policies } from './Policies';
import { policiesQuery, swatchesQuery, useKeepStitch, useKeepSwatch, useWithdrawSwatch } from './queries';
import { Sizes } from './Sizes';

/** What stitches take, the swatches that say so, and the house's sizes. */
export default function MeasuresPage() {
  const { t } = useTranslation();
  const swatches = useQuery(swatchesQuery);
  const sizes = useQuery(sizesQuery);
  const policies = useQuery(policiesQuery);
  // All at once, so that nothing moves while the rest arrives.
  const all = {
    data:
      swatches.data && sizes.data && policies.data
        ? { swatches: swatches.data, sizes: sizes.data, policies: policies.data }
        : undefined,
    error: swatches.error ?? sizes.error ?? policies.error,
    isPending: swatches.isPending || sizes.isPending || policies.isPending,
  };
  return (
    <Page title={t('nav.measures')}>
      <Await query={all}>
        {(view) => (
          <Grid gap="md">
            <Grid.Col span={{ base: 12, md: 7 }}>
              <Stack gap="md">
                <TakeUps rows={view.swatches.stitches} />
                <Swatches rows={view.swatches.swatches} materials={view.swatches.materials} />
                <MaterialList materials={view.swatches.materials} />
              </Stack>
            </Grid.Col>
            <Grid.Col span={{ base: 12, md: 5 }}>
              <Stack gap="md">
                <SwatchForm view={view.swatches} />
                <Sizes view={view.sizes} />
                <Policies view={view.policies} />
                <OwnStitchForm materials={view.swatches.materials} />
              </Stack>
            </Grid.Col>
          </Grid>
        )}
      </Await>
    </Page>
  );
}

const digits = (value: number, count: number) => value.toFixed(count);

function TakeUps({ rows }: { rows: Schemas['StitchRow'][] }) {
  const { t } = useTranslation();
  return (
    <Stack className="panel" p="md" gap={6}>
      <Title order={2} size="h4">
        {t('measures.takeUp')}
      </Title>
      <Text size="sm" c="dimmed">
        {t('measures.takeUpHint')}
      </Text>
      <Table verticalSpacing={3} horizontalSpacing={6}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>{t('measures.stitch')}</Table.Th>
            <Table.Th className="right">{t('measures.use')}</Table.Th>
            <Table.Th className="right">{t('measures.pitch')}</Table.Th>
            <Table.Th className="right">{t('measures.times')}</Table.Th>
            <Table.Th>{t('measures.source')}</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {rows.map((row) => (
            <Table.Tr key={row.code}>
              <Table.Td>{t(`stitch.${row.code}`)}</Table.Td>
              <Table.Td className="right figure">{digits(row.useD, 2)} d</Table.Td>
              <Table.Td className="right figure">{digits(row.pitchD, 2)} d</Table.Td>
              <Table.Td className="right figure">{digits(row.takeUp, 2)} ×</Table.Td>
              <Table.Td>
                {t(`measures.from.${row.source}`, {
                  spread: Math.round(row.spread * 100),
                  count: row.swatches,
                  change: Math.round(((row.swatched ?? 1) - 1) * 100),
                })}
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Stack>
  );
}

interface SwatchesProps {
  rows: Schemas['SwatchView'][];
  materials: Schemas['MaterialView'][];
}

function Swatches({ rows, materials }: SwatchesProps) {
  const { t } = useTranslation();
  const withdraw = useWithdrawSwatch(false);
  const back = useWithdrawSwatch(true);
  const remove = (id: number) =>
    withdraw.mutate(id, {
      onSuccess: () =>
        notifications.show({
          message: (
            <Group gap="sm">
              {t('measures.withdrawn')}
              <Button size="compact-sm" variant="default" onClick={() => back.mutate(id)}>
                {t('undo')}
              </Button>
            </Group>
          ),
          autoClose: 12_000,
        }),
    });
  if (rows.length === 0) return <Empty words={t('measures.noSwatch')} />;
  return (
    <Stack className="panel" p="md" gap={6}>
      <Title order={2} size="h4">
        {t('measures.swatches')}
      </Title>
      <Table verticalSpacing={3} horizontalSpacing={6}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>{t('measures.stitch')}</Table.Th>
            <Table.Th>{t('measures.tied')}</Table.Th>
            <Table.Th className="right">{t('measures.body')}</Table.Th>
            <Table.Th className="right">{t('measures.used')}</Table.Th>
            <Table.Th className="right">{t('measures.against')}</Table.Th>
            <Table.Th />
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {rows.map((row) => (
            <Table.Tr key={row.id}>
              <Table.Td>
                {t(`stitch.${row.stitch}`)}
                <Text size="xs" c="dimmed">
                  {materials.find((m) => m.code === row.material)?.name ?? row.material}{' '}
                  <Length um={row.workingUm} kind="part" />
                  {row.cores > 0 && (
                    <>
                      {' '}
                      {t('measures.over', { count: row.cores })}{' '}
                      <Length um={row.coreUm ?? row.workingUm} kind="part" />
                    </>
                  )}
                </Text>
              </Table.Td>
              <Table.Td>
                {t('measures.repeats', { count: row.repeats })}
                <Text size="xs" c="dimmed">
                  {row.maker}, {formatDay(row.at.slice(0, 10))}
                </Text>
              </Table.Td>
              <Table.Td className="right">
                <Length um={row.bodyUm} kind="body" />
              </Table.Td>
              <Table.Td className="right">
                <Length um={row.usedUm} kind="cord" />
              </Table.Td>
              <Table.Td className="right figure">
                {digits(row.pitchRatio, 2)} / {digits(row.useRatio, 2)}
              </Table.Td>
              <Table.Td className="right">
                <Button size="compact-sm" variant="default" onClick={() => remove(row.id)}>
                  {t('measures.withdraw')}
                </Button>
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Stack>
  );
}

function SwatchForm({ view }: { view: Schemas['SwatchesView'] }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const { data: session } = useSession();
  const keep = useKeepSwatch();
  const [stitch, setStitch] = useState('square-knot');
  const [material, setMaterial] = useState('polyester');
  const [maker, setMaker] = useState(session?.name ?? '');
  const [working, setWorking] = useState('2 mm');
  const [core, setCore] = useState('2 mm');
  const [cores, setCores] = useState(2);
  const [repeats, setRepeats] = useState(20);
  const [body, setBody] = useState('');
  const [used, setUsed] = useState('');
  const chosen = view.stitches.find((s) => s.code === stitch);
  const cored = (chosen?.mostCores ?? 0) > 0;
  const problem = (field: string) =>
    keep.error instanceof ProblemError ? keep.error.field(field) : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(
      {
        stitch,
        material,
        maker,
        working,
        core: cored ? core : undefined,
        cores: cored ? cores : 0,
        repeats,
        body,
        used,
        units,
      },
      {
        onSuccess: () => {
          notifications.show({ message: t('measures.kept'), color: 'board' });
          setBody('');
          setUsed('');
        },
      },
    );
  };
  return (
    <Stack component="form" onSubmit={submit} className="panel" p="md" gap="sm">
      <Title order={2} size="h4">
        {t('measures.newSwatch')}
      </Title>
      <Text size="sm" c="dimmed">
        {t('measures.swatchHint')}
      </Text>
      <Group grow align="flex-start">
        <Select
          label={t('measures.stitch')}
          searchable
          allowDeselect={false}
          value={stitch}
          data={view.stitches.map((s) => ({ value: s.code, label: t(`stitch.${s.code}`) }))}
          onChange={(v) => v && setStitch(v)}
          error={problem('stitch')}
        />
        <Select
          label={t('articleForm.material')}
          allowDeselect={false}
          value={material}
          data={view.materials.map((m) => ({ value: m.code, label: m.name }))}
          onChange={(v) => v && setMaterial(v)}
          error={problem('material')}
        />
      </Group>
      <Group grow align="flex-start">
        <LengthField
          label={t('measures.working')}
          value={working}
          onChange={setWorking}
          error={problem('working')}
        />
        {cored && (
          <LengthField label={t('measures.core')} value={core} onChange={setCore} error={problem('core')} />
        )}
        {cored && (
          <NumberInput
            label={t('measures.cores')}
            min={chosen?.leastCores ?? 1}
            max={chosen?.mostCores ?? 8}
            value={cores}
            onChange={(n) => setCores(Number(n) || 0)}
            error={problem('cores')}
          />
        )}
      </Group>
      <Group grow align="flex-start">
        <TextInput
          label={t('measures.maker')}
          value={maker}
          onChange={(e) => setMaker(e.currentTarget.value)}
          error={problem('maker')}
        />
        <NumberInput
          label={t('measures.repeatsTied')}
          value={repeats}
          clampBehavior="none"
          onChange={(n) => setRepeats(Number(n) || 0)}
          error={problem('repeats')}
        />
      </Group>
      <Group grow align="flex-start">
        <LengthField label={t('measures.body')} value={body} onChange={setBody} error={problem('body')} />
        <LengthField label={t('measures.used')} value={used} onChange={setUsed} error={problem('used')} />
      </Group>
      <ProblemNote
        error={keep.error}
        shown={['stitch', 'material', 'maker', 'working', 'core', 'cores', 'repeats', 'body', 'used']}
      />
      <Button type="submit" loading={keep.isPending}>
        {t('measures.keep')}
      </Button>
    </Stack>
  );
}

/** A stitch that no geometry describes, known by its swatch alone. */
function OwnStitchForm({ materials }: { materials: Schemas['MaterialView'][] }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const keep = useKeepStitch();
  const [open, setOpen] = useState(false);
  const [texts, setTexts] = useState<Record<string, string>>({ working: '2 mm' });
  const [material, setMaterial] = useState('polyester');
  const [counts, setCounts] = useState<Record<string, number>>({ strands: 2, cores: 2, repeats: 20 });
  const text = (field: string) => texts[field] ?? '';
  const problem = (field: string) =>
    keep.error instanceof ProblemError ? keep.error.field(field) : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(
      {
        name: text('name'),
        strands: counts.strands ?? 0,
        cores: counts.cores ?? 0,
        repeats: counts.repeats ?? 0,
        material,
        working: text('working'),
        body: text('body'),
        used: text('used'),
        thickness: text('thickness'),
        width: text('width'),
        units,
      },
      {
        onSuccess: () => {
          notifications.show({ message: t('ownStitch.kept', { name: text('name') }), color: 'board' });
          setOpen(false);
        },
      },
    );
  };
  if (!open)
    return (
      <Stack className="panel" p="md" gap="sm">
        <Title order={2} size="h4">
          {t('ownStitch.title')}
        </Title>
        <Text size="sm" c="dimmed">
          {t('ownStitch.hint')}
        </Text>
        <Group>
          <Button variant="default" onClick={() => setOpen(true)}>
            {t('ownStitch.new')}
          </Button>
        </Group>
      </Stack>
    );
  return (
    <Stack component="form" onSubmit={submit} className="panel" p="md" gap="sm">
      <Title order={2} size="h4">
        {t('ownStitch.title')}
      </Title>
      <TextInput
        label={t('ownStitch.name')}
        value={text('name')}
        onChange={(e) => setTexts({ ...texts, name: e.currentTarget.value })}
        error={problem('name')}
      />
      <Group grow align="flex-start">
        {(['strands', 'cores', 'repeats'] as const).map((field) => (
          <NumberInput
            key={field}
            label={t(`ownStitch.${field}`)}
            value={counts[field]}
            clampBehavior="none"
            onChange={(n) => setCounts({ ...counts, [field]: Number(n) || 0 })}
            error={problem(field)}
          />
        ))}
      </Group>
      <Group grow align="flex-start">
        <Select
          label={t('articleForm.material')}
          allowDeselect={false}
          value={material}
          data={materials.map((m) => ({ value: m.code, label: m.name }))}
          onChange={(v) => v && setMaterial(v)}
          error={problem('material')}
        />
        <LengthField
          label={t('measures.working')}
          value={text('working')}
          onChange={(v) => setTexts({ ...texts, working: v })}
          error={problem('working')}
        />
      </Group>
      {(
        [
          ['body', 'used'],
          ['thickness', 'width'],
        ] as const
      ).map((row) => (
        <Group key={row[0]} grow align="flex-start">
          {row.map((field) => (
            <LengthField
              key={field}
              label={t(field === 'body' || field === 'used' ? `measures.${field}` : `ownStitch.${field}`)}
              value={text(field)}
              onChange={(v) => setTexts({ ...texts, [field]: v })}
              error={problem(field)}
            />
          ))}
        </Group>
      ))}
      <ProblemNote
        error={keep.error}
        shown={[
          'name',
          'strands',
          'cores',
          'repeats',
          'material',
          'working',
          'body',
          'used',
          'thickness',
          'width',
        ]}
      />
      <Group>
        <Button type="submit" loading={keep.isPending}>
          {t('ownStitch.keep')}
        </Button>
        <Button variant="default" onClick={() => setOpen(false)}>
          {t('measures.leave')}
        </Button>
      </Group>
    </Stack>
  );
}
