import { Group, Progress, Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../api/client';
import { stitchName } from './names';

/** Stitches that are drawn from other lines than their own, and how far theirs have come. */
export function PullingNote({ pulling }: { pulling: Schemas['PullingView'][] }) {
  const { t } = useTranslation();
  return pulling.map((p) => {
    const percent = Math.round(p.progress * 100);
    const words = t(p.state === 'NO_KNOT' ? `pulling.no.${p.reason}` : `pulling.${p.state}`, {
      stitch: stitchName(t, p.stitch),
      percent,
    });
    return (
      <Group key={p.stitch} gap="xs" wrap="nowrap" role="status">
        {p.state === 'RUNNING' && <Progress value={percent} w={90} aria-label={words} />}
        <Text size="xs" c={p.state === 'NO_KNOT' ? 'var(--act)' : 'dimmed'}>
          {words}
        </Text>
      </Group>
    );
  });
}
