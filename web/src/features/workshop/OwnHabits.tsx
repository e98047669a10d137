import { Group, NativeSelect, SegmentedControl, Stack, Text, Title } from '@mantine/core';
import i18next from 'i18next';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { ProblemNote } from '../../shared/ProblemNote';
import { useKeepHabits } from '../../shared/session';

const HANDS = ['RIGHT', 'LEFT'] as const;
const UNITS = ['METRIC', 'IMPERIAL'] as const;

/** The hand, the units and, where there are several, the language of whoever is signed in; kept as they are chosen. */
export function OwnHabits({ habits }: { habits: Schemas['Habits'] }) {
  const { t } = useTranslation();
  const keep = useKeepHabits();
  const languages = Object.keys(i18next.options.resources ?? {});
  return (
    <Stack className="panel" p="md" maw={680} gap="sm">
      <Title order={2} size="h4">
        {t('habits.title')}
      </Title>
      <Group gap="xl" align="flex-start">
        <Stack gap={4}>
          <Text size="sm" fw={600} id="habits-hand">
            {t('habits.hand')}
          </Text>
          <SegmentedControl
            aria-labelledby="habits-hand"
            value={habits.hand}
            onChange={(hand) => keep.mutate({ ...habits, hand: hand as typeof habits.hand })}
            data={HANDS.map((hand) => ({ value: hand, label: t(`habits.hand.${hand}`) }))}
          />
        </Stack>
        <Stack gap={4}>
          <Text size="sm" fw={600} id="habits-units">
            {t('habits.units')}
          </Text>
          <SegmentedControl
            aria-labelledby="habits-units"
            value={habits.units}
            onChange={(units) => keep.mutate({ ...habits, units: units as typeof habits.units })}
            data={UNITS.map((units) => ({ value: units, label: t(`habits.units.${units}`) }))}
          />
        </Stack>
        {languages.length > 1 && (
          <NativeSelect
            label={t('habits.language')}
            value={habits.language}
            onChange={(e) => keep.mutate({ ...habits, language: e.currentTarget.value })}
            data={[{ value: '', label: t('habits.language.house') }, ...languages]}
          />
        )}
      </Group>
      <Text size="sm">{t('habits.words')}</Text>
      <ProblemNote error={keep.error} />
    </Stack>
  );
}
