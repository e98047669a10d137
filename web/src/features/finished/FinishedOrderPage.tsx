import { Button, Group, Stack, Table, Text, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { Length } from '../../shared/Figures';
import { formatDay } from '../../shared/format';
import { Await, Page } from '../../shared/Page';
import { PieceChip } from '../../shared/PiecePicture';
import { PiecesPanel } from '../../shared/PiecesPanel';
import { waysQuery } from '../../shared/ways';
import { Arrival } from './Arrival';
import classes from './Finished.module.css';
import { Letters } from './Letters';
import { NextAct } from './NextAct';
import { Papers } from './Papers';
import { Parcels } from './Parcels';
import { Payments } from './Payments';
import { type FinishedOrder, finishedOrderQuery, paymentsQuery } from './queries';
import { SendForm } from './SendForm';
import { standWords } from './words';

/** One order on its way out: what is here, what goes in the parcel, its papers, what is paid, and what is written to the customer. */
export default function FinishedOrderPage() {
  const id = Number(useParams().order);
  const order = useQuery(finishedOrderQuery(id));
  const payments = useQuery(paymentsQuery(id));
  const ways = useQuery(waysQuery);
  return (
    <Await query={order}>
      {(o) => (
        // Together, so that nothing is pushed down that is read already.
        <Await query={payments}>
          {(paid) => <Await query={ways}>{(w) => <Sheet order={o} paid={paid} ways={w.ways} />}</Await>}
        </Await>
      )}
    </Await>
  );
}

interface SheetProps {
  order: FinishedOrder;
  paid: Schemas['PaidView'];
  ways: Schemas['Way'][];
}

function Sheet({ order, paid, ways }: SheetProps) {
  const { t } = useTranslation();
  return (
    <Page
      title={t('finished.title', { reference: order.reference })}
      actions={
        <>
          {order.onward.next === 'PACK' && <NextAct order={order.order} onward={order.onward} />}
          <Button component={Link} to={`/orders/${order.order}`} variant="default">
            {t('finished.toOrder')}
          </Button>
        </>
      }
    >
      <Group gap="xl" align="flex-start">
        <div>
          <Text fw={650}>{order.customer || t('customers.nameless')}</Text>
          <Text size="sm" className={classes.address}>
            {order.address || t('finished.noAddress')}
          </Text>
        </div>
        <Text>{standWords(t, order.onward)}</Text>
        <Text>{order.due ? t('finished.leaves', { day: formatDay(order.due) }) : t('finished.anyDay')}</Text>
        {order.note && <Text size="sm">{order.note}</Text>}
      </Group>
      <div className={classes.sheet}>
        <Stack gap="md">
          <Lines order={order} />
          <SendForm key={`${order.onward.here} ${order.onward.sent}`} order={order} ways={ways} />
          <PiecesPanel order={order.order} />
        </Stack>
        <Stack gap="md">
          <Arrival key={`${order.due} ${order.way}`} order={order} ways={ways} />
          <Papers order={order} />
          <Parcels order={order} />
          <Payments order={order.order} paid={paid} />
          <Letters order={order} />
        </Stack>
      </div>
    </Page>
  );
}

function Lines({ order }: { order: FinishedOrder }) {
  const { t } = useTranslation();
  return (
    <Stack component="section" className="panel" p="md" gap="xs" aria-label={t('finished.lines')}>
      <Title order={2} size="h4">
        {t('finished.lines')}
      </Title>
      <Table fz="sm" verticalSpacing={6}>
        <Table.Tbody>
          {order.lines.map((line) => (
            <Table.Tr key={line.id}>
              <Table.Td w={96}>
                <PieceChip lineId={line.id} />
              </Table.Td>
              <Table.Td>
                <Text size="sm" fw={650}>
                  {line.patternName}
                </Text>
                <Text size="sm" c="dimmed">
                  <Size line={line} /> {line.colours.join(', ')}
                </Text>
                {line.note && <Text size="sm">{line.note}</Text>}
              </Table.Td>
              <Table.Td>
                <Text size="sm">{standWords(t, line.onward)}</Text>
                {line.set && <Text size="sm">{t(`finished.set.${line.set}`)}</Text>}
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Stack>
  );
}

function Size({ line }: { line: Schemas['FinishedLine'] }) {
  if (line.sizeName) return <>{line.sizeName} ·</>;
  const um = line.wristUm ?? line.lengthUm;
  return um === undefined ? null : (
    <>
      <Length um={um} kind="body" /> ·
    </>
  );
}
