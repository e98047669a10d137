import {
  Anchor,
  Button,
  Checkbox,
  Grid,
  Group,
  NumberInput,
  Stack,
  Table,
  Text,
  TextInput,
  Title,
} from '@mantine/core';
import { useInfiniteQuery } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate } from 'react-router';
import type { Schemas } from '../../api/client';
import { AnewNote } from '../../shared/AnewNote';
import { Length } from '../../shared/Figures';
import { formatDay } from '../../shared/format';
import { More } from '../../shared/More';
import { Await, Empty } from '../../shared/Page';
import { PieceChip } from '../../shared/PiecePicture';
import { ProblemNote } from '../../shared/ProblemNote';
import { Swatch } from '../../shared/Swatch';
import { Verdict } from '../../shared/Verdict';
import { usePropose } from '../../shared/work';
import classes from './ByHand.module.css';
import { batchesQuery, planQuery, useDissolve, useMakeBatch } from './queries';

/** Open pieces, grouped by set-up, on the left; batches on the right. */
export function ByHand({ order }: { order: string }) {
  const plan = useInfiniteQuery(planQuery(order));
  return (
    <>
      <AnewNote />
      <Await query={plan}>
        {(p) => (
          <Grid gap="md">
            <Grid.Col span={{ base: 12, md: 8 }}>
              <Stack gap="sm">
                <OpenWork key={order} order={order} setUps={p.pages.flatMap((page) => page.open)} />
                <More query={plan} />
              </Stack>
            </Grid.Col>
            <Grid.Col span={{ base: 12, md: 4 }}>
              <Batches />
            </Grid.Col>
          </Grid>
        )}
      </Await>
    </>
  );
}

type Picks = Record<number, number>;

function OpenWork({ order, setUps }: { order: string; setUps: Schemas['SetUpView'][] }) {
  const { t } = useTranslation();
  const lines = setUps.flatMap((s) => s.lines);
  const makeable = lines.filter((l) => l.verdict !== 'NO');
  const [picks, setPicks] = useState<Picks>(() =>
    Object.fromEntries(makeable.filter((l) => l.reference === order).map((l) => [l.line, l.open])),
  );
  if (setUps.length === 0) {
    return (
      <Empty words={t('plan.nothingOpen')}>
        <Button component={Link} to="/orders/import">
          {t('orders.import')}
        </Button>
      </Empty>
    );
  }
  const pick = (chosen: Schemas['OpenLineView'][], on: boolean) => {
    const next = { ...picks };
    for (const line of chosen) {
      if (on && line.verdict !== 'NO') next[line.line] = line.open;
      else delete next[line.line];
    }
    setPicks(next);
  };
  return (
    <Stack gap="sm">
      <MakeBatch picks={picks} onMade={() => setPicks({})}>
        <Checkbox
          label={t('plan.all', { count: makeable.reduce((n, l) => n + l.open, 0) })}
          checked={makeable.length > 0 && makeable.every((l) => picks[l.line])}
          indeterminate={makeable.some((l) => picks[l.line]) && !makeable.every((l) => picks[l.line])}
          onChange={(e) => pick(lines, e.currentTarget.checked)}
        />
      </MakeBatch>
      {setUps.map((setUp) => (
        <SetUp
          key={setUp.key}
          setUp={setUp}
          picks={picks}
          onPick={pick}
          onCount={(line, count) => setPicks({ ...picks, [line]: count })}
        />
      ))}
    </Stack>
  );
}

interface MakeBatchProps {
  picks: Picks;
  onMade: () => void;
  children: ReactNode;
}

function MakeBatch({ picks, onMade, children }: MakeBatchProps) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const make = useMakeBatch();
  const propose = usePropose();
  const [name, setName] = useState('');
  const count = Object.values(picks).reduce((a, b) => a + b, 0);
  const submit = async (cut: boolean) => {
    const body = {
      name: name.trim() || undefined,
      picks: Object.entries(picks).map(([line, n]) => ({ line: Number(line), count: n })),
    };
    const batch = await make.mutateAsync(body).catch(() => undefined);
    if (!batch) return;
    onMade();
    setName('');
    if (cut) {
      const list = await propose.mutateAsync([batch.id]).catch(() => undefined);
      navigate(list ? `/cut/${list.id}` : '/cut');
    }
  };
  return (
    <div className={classes.bar}>
      <Group gap="sm" justify="space-between">
        {children}
        <Text fw={600}>{count === 0 ? t('plan.choose') : t('plan.chosen', { count })}</Text>
        <Group gap="xs" w="100%" justify="flex-end" wrap="nowrap">
          <TextInput
            flex={1}
            placeholder={t('plan.name')}
            aria-label={t('plan.name')}
            value={name}
            onChange={(e) => setName(e.currentTarget.value)}
          />
          <Button
            variant="default"
            disabled={count === 0}
            loading={make.isPending}
            onClick={() => submit(false)}
          >
            {t('plan.make')}
          </Button>
          <Button
            disabled={count === 0}
            loading={make.isPending || propose.isPending}
            onClick={() => submit(true)}
          >
            {t('plan.makeAndCut')}
          </Button>
        </Group>
      </Group>
      <ProblemNote error={make.error ?? propose.error} />
    </div>
  );
}

interface SetUpProps {
  setUp: Schemas['SetUpView'];
  picks: Picks;
  onPick: (lines: Schemas['OpenLineView'][], on: boolean) => void;
  onCount: (line: number, count: number) => void;
}

function SetUp({ setUp, picks, onPick, onCount }: SetUpProps) {
  const { t } = useTranslation();
  const able = setUp.lines.filter((l) => l.verdict !== 'NO');
  const all = able.length > 0 && able.every((l) => picks[l.line]);
  const first = setUp.lines[0];
  return (
    <section className="panel">
      <Group p="xs" gap="sm" wrap="nowrap" className={classes.head}>
        <Checkbox
          aria-label={t('plan.pickSetUp', { name: setUp.patternName })}
          checked={all}
          disabled={able.length === 0}
          onChange={(e) => onPick(setUp.lines, e.currentTarget.checked)}
        />
        {first && <PieceChip lineId={first.line} />}
        <div style={{ flex: 1, minWidth: 0 }}>
          <Title order={2} size="h5">
            {setUp.patternName}
          </Title>
          <Group gap={8}>
            {setUp.colours.map((c, i) => (
              <Group key={c.code + i} gap={4} wrap="nowrap">
                <Swatch colour={c.colour} />
                <Text size="sm">
                  {c.name} <span className="figure">{c.code}</span>
                </Text>
              </Group>
            ))}
          </Group>
        </div>
        <div style={{ textAlign: 'right' }}>
          <Text size="sm">{t('plan.pieces', { count: setUp.pieces })}</Text>
          <Text size="sm" c="dimmed">
            <Length um={setUp.cordUm} kind="stock" />
          </Text>
        </div>
      </Group>
      <Table verticalSpacing={3} fz="sm">
        <Table.Tbody>
          {setUp.lines.map((l) => (
            <Table.Tr key={l.line}>
              <Table.Td w={40}>
                <Checkbox
                  size="sm"
                  aria-label={t('plan.pickLine', { reference: l.reference })}
                  checked={!!picks[l.line]}
                  disabled={l.verdict === 'NO'}
                  onChange={(e) => onPick([l], e.currentTarget.checked)}
                />
              </Table.Td>
              <Table.Td w="14%">
                <Anchor component={Link} to={`/orders/${l.order}`} inherit>
                  {l.reference}
                </Anchor>
              </Table.Td>
              <Table.Td>{l.customer}</Table.Td>
              <Table.Td w="14%">
                {l.sizeName ??
                  (l.wristUm !== undefined ? (
                    <Length um={l.wristUm} kind="body" />
                  ) : (
                    l.lengthUm !== undefined && <Length um={l.lengthUm} kind="body" />
                  ))}
              </Table.Td>
              <Table.Td w="17%">{l.due ? formatDay(l.due) : '–'}</Table.Td>
              <Table.Td w={92}>
                {l.verdict === 'NO' ? (
                  <Verdict word="NO" />
                ) : (
                  <NumberInput
                    size="xs"
                    w={76}
                    aria-label={t('plan.count', { reference: l.reference })}
                    min={0}
                    max={l.open}
                    suffix={` / ${l.open}`}
                    value={picks[l.line] ?? 0}
                    onChange={(n) =>
                      Number(n) > 0 ? onCount(l.line, Math.min(Number(n), l.open)) : onPick([l], false)
                    }
                  />
                )}
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      {setUp.moreLines > 0 && (
        <Text size="sm" c="dimmed" p="xs">
          {t('plan.moreLines', { count: setUp.moreLines })}
        </Text>
      )}
    </section>
  );
}

function Batches() {
  const { t } = useTranslation();
  const query = useInfiniteQuery(batchesQuery);
  const navigate = useNavigate();
  const propose = usePropose();
  const dissolve = useDissolve();
  return (
    <Stack gap="sm">
      <Title order={2} size="h4">
        {t('plan.batches')}
      </Title>
      <ProblemNote error={propose.error ?? dissolve.error} />
      <Await query={query}>
        {({ pages }) => pages[0]?.rows.length === 0 && <Text c="dimmed">{t('plan.noBatches')}</Text>}
      </Await>
      {query.data?.pages
        .flatMap((page) => page.rows)
        .map((b) => (
          <Stack key={b.id} className="panel" p="sm" gap={6}>
            <Group justify="space-between" wrap="nowrap">
              <Text fw={650} truncate>
                {b.name}
              </Text>
              <Text size="sm">{t('plan.cutOf', { cut: b.cut, count: b.pieces })}</Text>
            </Group>
            <Text size="sm" c="dimmed">
              {b.firstDue ? t('plan.firstDue', { day: formatDay(b.firstDue) }) : t('order.noDue')}
            </Text>
            {b.cut < b.pieces && (
              <Group gap="xs">
                <Button
                  size="xs"
                  loading={propose.isPending && propose.variables?.[0] === b.id}
                  onClick={() =>
                    b.openCutList
                      ? navigate(`/cut/${b.openCutList}`)
                      : propose.mutate([b.id], { onSuccess: (list) => navigate(`/cut/${list.id}`) })
                  }
                >
                  {t(b.openCutList ? 'plan.openCuts' : 'plan.planCuts')}
                </Button>
                <Button size="xs" variant="default" onClick={() => dissolve.mutate(b.id)}>
                  {t('plan.dissolve')}
                </Button>
              </Group>
            )}
          </Stack>
        ))}
      <More query={query} />
    </Stack>
  );
}
