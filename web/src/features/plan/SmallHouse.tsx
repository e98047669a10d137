import { Button, Group, Stack, Text, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { formatDay } from '../../shared/format';
import { todayQuery } from '../../shared/work';
import type { Board } from './board';

/** More pieces than that are not a list for one day. */
const FEW_PIECES = 20;

/** One maker and a handful of pieces: what to tie today, what is wanted first at the top, and a way to begin with each. */
export function SmallHouse({ board }: { board: Board }) {
  const { t } = useTranslation();
  const today = useQuery(todayQuery);
  // Whoever is gone may still stand in a plan of before.
  const present = board.makers.filter((m) => m.name !== '');
  if (!today.data || present.length !== 1 || board.openPieces > FEW_PIECES) return null;
  const rows = today.data.now.filter((row) => row.doing === 'TIE');
  const toCut = today.data.now
    .filter((row) => row.doing === 'CUT' && !row.open)
    .reduce((n, row) => n + row.pieces, 0);
  if (rows.length === 0 && toCut === 0) return null;
  return (
    <Stack component="section" className="panel" p="sm" gap="xs" aria-label={t('days.today')}>
      <Title order={2} size="h4">
        {t('days.today')}
      </Title>
      {rows.map((row) => (
        <Group key={`${row.order}-${row.piece}`} justify="space-between" gap="sm">
          <Text size="sm">
            {t('make.pieces', { count: row.pieces })} · {row.patternName} · {row.customer} ·{' '}
            {row.due ? t('make.due', { day: formatDay(row.due) }) : t('make.noDay')}
          </Text>
          <Button component={Link} to={`/bench/${row.piece}`} mih={44}>
            {t('days.tie')}
          </Button>
        </Group>
      ))}
      {toCut > 0 && (
        <Group justify="space-between" gap="sm">
          <Text size="sm">{t('days.toCut', { count: toCut })}</Text>
          <Button component={Link} to="/cut" variant="default" mih={44}>
            {t('today.cut')}
          </Button>
        </Group>
      )}
    </Stack>
  );
}
