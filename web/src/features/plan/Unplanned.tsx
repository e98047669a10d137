import { Group, Stack, Text, Title } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { formatDay } from '../../shared/format';
import { Swatch } from '../../shared/Swatch';

/** Open pieces that stand in no plan, by set-up, what is wanted first at the top. */
export function Unplanned({ setUps }: { setUps: Schemas['UnplannedView'][] }) {
  const { t } = useTranslation();
  return (
    <Stack
      component="section"
      className="panel"
      p="sm"
      gap="sm"
      aria-label={t('days.unplanned')}
      w={180}
      flex="none"
    >
      <Title order={2} size="h5">
        {t('days.unplanned')}
      </Title>
      {setUps.map((one) => (
        <Stack key={one.setUp} gap={2}>
          <Text size="sm" fw={600}>
            {one.patternName}
          </Text>
          <Group gap={6}>
            {one.cords.map((c) => (
              <Group key={c.code} gap={4} wrap="nowrap">
                <Swatch colour={c.colour} />
                <Text size="xs">{c.name}</Text>
              </Group>
            ))}
          </Group>
          <Text size="xs" c="dimmed">
            {t('days.unplanned.of', {
              pieces: t('days.block.pieces', { count: one.pieces }),
              count: one.orders,
            })}
            {one.firstDue ? ` · ${formatDay(one.firstDue)}` : ''}
          </Text>
        </Stack>
      ))}
    </Stack>
  );
}
