import { Button, Group, Text } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useTranslation } from 'react-i18next';
import { type Act, OF_PIECES, useActMany, usePiecesOfMany } from './queries';

const MANY: Act[] = ['ACCEPT', 'FINISH', 'DISPATCH', 'CANCEL'];

/** What may be done with many orders at once. What takes pieces first says how many, and then takes those. */
export function ManyBar({ chosen, onDone }: { chosen: number[]; onDone: () => void }) {
  const { t } = useTranslation();
  const many = useActMany();
  const shown = usePiecesOfMany();
  const send = (act: Act, pieces?: number[]) =>
    many.mutate(
      { orders: chosen, act, pieces },
      {
        onSuccess: (results) => {
          const refused = results.filter((r) => r.problem).length;
          notifications.show({
            message: t(refused > 0 ? 'many.some' : 'many.all', { done: results.length - refused, refused }),
            color: refused > 0 ? 'straw' : 'board',
          });
          onDone();
        },
      },
    );
  const act = (a: Act) => (OF_PIECES[a] ? shown.mutate({ orders: chosen, act: a }) : send(a));
  return (
    <Group className="panel" p="xs" gap="xs" role="group" aria-label={t('many.label')}>
      {shown.data ? (
        <Taken
          act={shown.variables.act}
          orders={shown.data}
          busy={many.isPending}
          onTake={(pieces) => send(shown.variables.act, pieces)}
          onBack={shown.reset}
        />
      ) : (
        <>
          <Text size="sm" fw={600} px="xs">
            {t('many.chosen', { count: chosen.length })}
          </Text>
          {MANY.map((a) => (
            <Button
              key={a}
              size="compact-sm"
              variant="default"
              loading={many.isPending || shown.isPending}
              onClick={() => act(a)}
            >
              {t(`act.${a}`)}
            </Button>
          ))}
          <Button size="compact-sm" variant="subtle" onClick={onDone}>
            {t('many.none')}
          </Button>
        </>
      )}
    </Group>
  );
}

interface TakenProps {
  act: Act;
  orders: { order: number; pieces: number[] }[];
  busy: boolean;
  onTake: (pieces: number[]) => void;
  onBack: () => void;
}

/** Which pieces it would take, before it takes them. */
function Taken({ act, orders, busy, onTake, onBack }: TakenProps) {
  const { t } = useTranslation();
  const pieces = orders.flatMap((o) => o.pieces);
  const without = orders.filter((o) => o.pieces.length === 0).length;
  return (
    <>
      <Text size="sm" px="xs" role="status">
        {t('many.pieces', { count: pieces.length })} {t('many.ofOrders', { count: orders.length - without })}
        {without > 0 && ` ${t('many.without', { count: without })}`}
      </Text>
      <Button size="compact-sm" disabled={pieces.length === 0} loading={busy} onClick={() => onTake(pieces)}>
        {t(`act.${act}`)}
      </Button>
      <Button size="compact-sm" variant="subtle" onClick={onBack}>
        {t('many.back')}
      </Button>
    </>
  );
}
