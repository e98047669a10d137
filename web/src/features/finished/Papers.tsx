import { Anchor, Group, SegmentedControl, Stack, Text, Title } from '@mantine/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { FinishedOrder } from './queries';

const PAPERS = ['packing-list', 'delivery-note', 'priced-note', 'care', 'tags'] as const;
const SIZES = { A4: 'A4', LETTER: 'Letter' };
const KEPT = 'restis.paper';

const addressOf = (order: number, paper: (typeof PAPERS)[number], size: string) => {
  const file = paper === 'priced-note' ? 'delivery-note' : paper;
  const prices = paper === 'priced-note' ? '&prices=true' : '';
  return `/api/finished/${order}/${file}.pdf?paper=${size}${prices}`;
};

/** What goes into the parcel, or onto the pieces, as it would lie there now. */
export function Papers({ order }: { order: FinishedOrder }) {
  const { t } = useTranslation();
  const [size, setSize] = useState(localStorage.getItem(KEPT) ?? 'A4');
  if (order.onward.here + order.onward.sent === 0) return null;
  const choose = (other: string) => {
    localStorage.setItem(KEPT, other);
    setSize(other);
  };
  return (
    <Stack component="section" className="panel" p="md" gap="xs" aria-label={t('finished.papers')}>
      <Group justify="space-between">
        <Title order={2} size="h4">
          {t('finished.papers')}
        </Title>
        <SegmentedControl
          size="xs"
          aria-label={t('finished.size')}
          data={Object.entries(SIZES).map(([value, label]) => ({ value, label }))}
          value={size}
          onChange={choose}
        />
      </Group>
      <Text size="sm">
        {t(order.onward.here > 0 ? 'finished.papers.here' : 'finished.papers.sent', {
          count: order.onward.here > 0 ? order.onward.here : order.onward.sent,
        })}
      </Text>
      <Group gap="xs">
        {PAPERS.map((paper) => (
          <Anchor key={paper} size="sm" href={addressOf(order.order, paper, size)} target="_blank">
            {t(`finished.paper.${paper}`)}
          </Anchor>
        ))}
        <Anchor size="sm" href={addressOf(order.order, 'tags', 'LABEL')} target="_blank">
          {t('finished.paper.labels')}
        </Anchor>
      </Group>
    </Stack>
  );
}
