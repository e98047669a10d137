import { Button, Group, Stack, Text, Title } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import type { Schemas } from '../../api/client';
import { useTakePlanned } from '../../shared/days';
import { formatDay } from '../../shared/format';
import { ProblemNote } from '../../shared/ProblemNote';
import { usePropose } from '../../shared/work';

/** What must be cut first by the plan, by day and maker. */
export function AsPlanned({ board }: { board: Schemas['WorkBoardView'] }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const take = useTakePlanned();
  const propose = usePropose();
  const plan = board.plan;
  if (!board.planning || !plan) return null;
  const rows = board.days.flatMap((day) =>
    board.makers.flatMap((maker) =>
      maker.days
        .filter((d) => d.day === day)
        .flatMap((d) => d.blocks.filter((b) => b.toCut > 0).map((block) => ({ day, maker, block }))),
    ),
  );
  if (rows.length === 0) return null;
  const cut = async (parcels: number[], batch: number | undefined) => {
    const made = batch ?? (await take.mutateAsync({ plan: plan.id, parcels }).catch(() => undefined))?.id;
    if (made !== undefined) {
      propose.mutate([made], { onSuccess: (list) => navigate(`/cut/${list.id}`) });
    }
  };
  return (
    <Stack component="section" className="panel" p="sm" gap="xs" aria-label={t('cut.planned')}>
      <Title order={2} size="h4">
        {t('cut.planned')}
      </Title>
      {rows.map(({ day, maker, block }) => (
        <Group key={block.parcels.join('-')} justify="space-between" gap="sm">
          <div>
            <Text fw={600}>
              {day === board.today ? t('days.todayShort') : formatDay(day)} · {maker.name} ·{' '}
              {t('make.pieces', { count: block.toCut })}
            </Text>
            <Text size="sm" c="dimmed">
              {block.patterns.join(', ')} · {block.cords.map((c) => c.name).join(', ')}
            </Text>
          </div>
          <Button
            variant="default"
            mih={48}
            loading={take.isPending || propose.isPending}
            onClick={() => cut(block.parcels, block.batch)}
          >
            {t(block.batch === undefined ? 'cut.planned.take' : 'plan.planCuts')}
          </Button>
        </Group>
      ))}
      <ProblemNote error={take.error ?? propose.error} />
    </Stack>
  );
}
