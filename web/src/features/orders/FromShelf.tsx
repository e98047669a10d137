import { Anchor, Button, Group, Stack, Text, Title } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { Length } from '../../shared/Figures';
import { ProblemNote } from '../../shared/ProblemNote';
import { offersQuery, useGive } from './queries';

/** Finished pieces that suit this order: whoever takes the order says yes to each. */
export function FromShelf({ order }: { order: number }) {
  const { t } = useTranslation();
  const offers = useQuery(offersQuery(order));
  const rows = offers.data?.rows ?? [];
  if (rows.length === 0) return null;
  return (
    <Stack component="section" className="panel" p="md" gap="xs" aria-label={t('fromShelf.title')}>
      <Title order={2} size="h4">
        {t('fromShelf.title')}
      </Title>
      {rows.map((offer) => (
        <Offer key={offer.piece} order={order} offer={offer} />
      ))}
    </Stack>
  );
}

function Offer({ order, offer }: { order: number; offer: Schemas['ShelfOffer'] }) {
  const { t } = useTranslation();
  const give = useGive(order);
  return (
    <Stack gap={4}>
      <Group justify="space-between" gap="sm">
        <Text size="sm">
          <Anchor component={Link} to={`/finished/pieces/${offer.piece}`} size="sm" underline="always">
            {offer.patternName} #{offer.piece}
          </Anchor>{' '}
          · {t('fromShelf.line', { line: offer.number })} ·{' '}
          {offer.same ? (
            t('fromShelf.same')
          ) : offer.longerUm === 0 ? (
            t('fromShelf.asLong')
          ) : (
            <>
              <Length um={Math.abs(offer.longerUm)} kind="part" />{' '}
              {t(offer.longerUm > 0 ? 'fromShelf.longer' : 'fromShelf.shorter')}
            </>
          )}
        </Text>
        <Button
          variant="default"
          mih={44}
          loading={give.isPending}
          onClick={() =>
            give.mutate(
              { piece: offer.piece, line: offer.line },
              { onSuccess: () => notifications.show({ message: t('fromShelf.taken'), color: 'board' }) },
            )
          }
        >
          {t('fromShelf.take')}
        </Button>
      </Group>
      <ProblemNote error={give.error} />
    </Stack>
  );
}
