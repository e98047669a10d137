import { Button, Group, SegmentedControl, Stack, Text, Title } from '@mantine/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { formatDay } from '../../shared/format';
import { Empty } from '../../shared/Page';
import { inMinutes } from '../../shared/risk';
import { Swatch } from '../../shared/Swatch';
import { useSession } from '../../shared/session';
import type { Block, Board } from './board';
import { howMany } from './words';

/** One maker's days, one below the other, for a hand that holds a phone. */
export function MyDays({ board }: { board: Board }) {
  const { t } = useTranslation();
  const { data: session } = useSession();
  const own = board.makers.find((m) => m.name === session?.name) ?? board.makers[0];
  const [person, setPerson] = useState(own?.person);
  const maker = board.makers.find((m) => m.person === person) ?? own;
  if (!board.plan || !maker) return <Empty words={t('days.none')} />;
  return (
    <Stack gap="md">
      {board.makers.length > 1 && (
        <SegmentedControl
          fullWidth
          size="md"
          aria-label={t('days.whose')}
          value={String(maker.person)}
          onChange={(p) => setPerson(Number(p))}
          data={board.makers.map((m) => ({ value: String(m.person), label: m.name || t('days.gone') }))}
        />
      )}
      {maker.days
        .filter((day) => day.blocks.length > 0)
        .map((day) => (
          <Stack key={day.day} component="section" gap="xs" aria-label={formatDay(day.day)}>
            <Group justify="space-between">
              <Title order={2} size="h4">
                {day.day === board.today ? t('days.todayShort') : formatDay(day.day)}
              </Title>
              <Text size="sm" className="figure">
                {inMinutes(t, day.usedSeconds)}
              </Text>
            </Group>
            {day.blocks.map((block) => (
              <BlockCard key={block.parcels.join('-')} block={block} />
            ))}
          </Stack>
        ))}
      {maker.days.every((day) => day.blocks.length === 0) && <Text>{t('days.nothingForMe')}</Text>}
    </Stack>
  );
}

function BlockCard({ block }: { block: Block }) {
  const { t } = useTranslation();
  return (
    <Group className="panel" p="sm" justify="space-between" gap="sm" wrap="nowrap">
      <Stack gap={2}>
        <Text fw={600}>
          {howMany(t, block)} · {block.patterns.join(', ')}
        </Text>
        <Group gap={8}>
          {block.cords.map((c) => (
            <Group key={c.code} gap={4} wrap="nowrap">
              <Swatch colour={c.colour} />
              <Text size="sm">{c.name}</Text>
            </Group>
          ))}
        </Group>
        <Text size="sm">
          {inMinutes(t, block.seconds)} · {t(`days.state.${block.state}`)}
          {block.late ? ` · ${t('days.late')}` : ''}
        </Text>
      </Stack>
      <Button
        component={Link}
        to={block.toCut > 0 ? '/cut' : '/bench'}
        variant="default"
        mih={48}
        flex="none"
      >
        {t(block.toCut > 0 ? 'days.cut' : 'days.tie')}
      </Button>
    </Group>
  );
}
