import { Button, Grid, Group, Stack, Table, Text, Title } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { Length } from '../../shared/Figures';
import { formatDay } from '../../shared/format';
import { Await, Empty, Page } from '../../shared/Page';
import { sizesQuery } from '../../shared/piece/queries';
import { MaterialList } from './MaterialList';
import { OwnStitchForm } from './OwnStitchForm';
import { Policies } from './Policies';
import { policiesQuery, swatchesQuery, useWithdrawSwatch } from './queries';
import { Sizes } from './Sizes';
import { SwatchForm } from './SwatchForm';

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
    <Page
      title={t('nav.measures')}
      actions={
        <>
          <Button component={Link} to="/measures/learned">
            {t('learned.title')}
          </Button>
          <Button component={Link} to="/measures/report" variant="default">
            {t('learned.report')}
          </Button>
        </>
      }
    >
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
