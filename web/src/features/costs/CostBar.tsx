import { Group, Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { Money } from '../../shared/Figures';
import classes from './CostsPage.module.css';
import type { CostSum } from './queries';

const PARTS = ['used', 'tails', 'trimmed', 'scrap', 'waste', 'parts', 'consumables'] as const;

/** Where a sum went, to scale beside others. */
export function CostBar({ sum, most }: { sum: CostSum; most: number }) {
  const { t } = useTranslation();
  const scale = Math.max(most, 0.0001);
  return (
    <div
      className={classes.bar}
      role="img"
      aria-label={PARTS.map((p) => `${t(`cost.${p}`)} ${sum[p].toFixed(2)}`).join(', ')}
    >
      {PARTS.map((p) => (
        <span
          key={p}
          className={classes[p]}
          style={{
            width: `${(Math.max(0, sum[p]) / scale) * 100}%`,
            borderWidth: sum[p] > 0 ? undefined : 0,
          }}
        />
      ))}
    </div>
  );
}

/** The same in figures, with what each mark means. */
export function Parts({ sum }: { sum: CostSum }) {
  const { t } = useTranslation();
  return (
    <Group gap="lg">
      {PARTS.map((p) => (
        <Group key={p} gap={6}>
          <span className={`${classes.key} ${classes[p]}`} />
          <Text size="sm">
            {t(`cost.${p}`)} <Money value={sum[p]} />
          </Text>
        </Group>
      ))}
    </Group>
  );
}
