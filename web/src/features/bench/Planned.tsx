import { Button, Stack, Text, Title } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import type { Schemas } from '../../api/client';
import { formatDay } from '../../shared/format';
import { ProblemNote } from '../../shared/ProblemNote';
import { inMinutes } from '../../shared/risk';
import classes from './Card.module.css';
import { useTake } from './queries';

/** What the plan gives whoever looks, in its order: what is cut can be taken in hand. */
export function Planned({ board, who }: { board: Schemas['WorkBoardView']; who: string }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const take = useTake();
  const mine = board.makers.find((m) => m.name === who);
  const days = mine?.days.filter((d) => d.blocks.some((b) => b.state !== 'BEGUN')) ?? [];
  if (!board.planning || !board.plan || days.length === 0) return null;
  const go = (pieces: number[]) =>
    take.mutate(
      { pieces, over: false },
      { onSuccess: () => navigate(`/bench/${pieces[0]}${pieces.length > 1 ? '?by=step' : ''}`) },
    );
  return (
    <Stack component="section" gap="xs" aria-label={t('make.planned')}>
      <Title order={2} size="h4">
        {t('make.planned')}
      </Title>
      <ProblemNote error={take.error} />
      <ul className={`panel ${classes.rows}`}>
        {days.flatMap((day) =>
          day.blocks
            .filter((b) => b.state !== 'BEGUN')
            .map((block) => (
              <li key={`${day.day} ${block.parcels.join('-')}`} className={classes.row}>
                <Text fw={600}>{day.day === board.today ? t('days.todayShort') : formatDay(day.day)}</Text>
                <div>
                  <Text fw={650}>{block.patterns.join(', ')}</Text>
                  <Text size="sm" c="dimmed">
                    {block.cords.map((c) => c.name).join(', ')} ·{' '}
                    {block.orders.map((o) => o.reference).join(', ')}
                  </Text>
                </div>
                <Text>
                  {t('make.pieces', { count: block.pieces })} · {inMinutes(t, block.seconds)}
                </Text>
                <Text size="sm">
                  {block.toCut > 0
                    ? t('make.planned.toCut', { count: block.toCut })
                    : t(`days.state.${block.state}`)}
                </Text>
                {block.ready.length > 0 && (
                  <Button size="md" mih={48} disabled={take.isPending} onClick={() => go(block.ready)}>
                    {t('make.planned.take', { count: block.ready.length })}
                  </Button>
                )}
              </li>
            )),
        )}
      </ul>
    </Stack>
  );
}
