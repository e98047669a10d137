import { Button, Stack } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { ProblemNote } from '../../shared/ProblemNote';
import { usePackAll } from '../../shared/pieces';

/** What comes next for an order: packing is done from here, what needs a look or more words on its page. */
export function NextAct({ order, onward }: { order: number; onward: Schemas['OnwardView'] }) {
  const { t } = useTranslation();
  const pack = usePackAll(order);
  if (onward.next !== 'PACK') {
    return (
      <Button
        component={Link}
        to={`/finished/${order}`}
        variant={onward.next ? 'filled' : 'default'}
        mih={44}
      >
        {onward.next ? t(`finished.do.${onward.next}`, { count: onward.count }) : t('finished.look')}
      </Button>
    );
  }
  return (
    <Stack gap={4}>
      <Button
        mih={44}
        loading={pack.isPending}
        onClick={() =>
          pack.mutate(undefined, {
            onSuccess: (count) =>
              notifications.show({ message: t('finished.packed', { count }), color: 'board' }),
          })
        }
      >
        {t('finished.do.PACK', { count: onward.count })}
      </Button>
      <ProblemNote error={pack.error} />
    </Stack>
  );
}
