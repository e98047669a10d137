import { Badge, Button, Group, Menu, Stack, Switch, Text, Title } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { articlesQuery } from '../../shared/articles';
import { Length } from '../../shared/Figures';
import { useAgain } from '../../shared/orders';
import { Await, Page, Waiting } from '../../shared/Page';
import { PiecesPanel } from '../../shared/PiecesPanel';
import { ProblemNote } from '../../shared/ProblemNote';
import { withOffer } from '../../shared/piece/choices';
import { PiecePanel } from '../../shared/piece/PiecePanel';
import { patternsQuery } from '../../shared/piece/queries';
import { piecesQuery } from '../../shared/pieces';
import { FromShelf } from './FromShelf';
import { HistoryList } from './HistoryList';
import { InTheWay } from './InTheWay';
import { OrderHead } from './OrderHead';
import { PriceTable } from './PriceTable';
import { PromisedPanel } from './PromisedPanel';
import {
  offersQuery,
  orderQuery,
  useAct,
  useChangeOrder,
  useForShelf,
  useOneHand,
  useRemoveOrder,
} from './queries';
import { SplitForm } from './SplitForm';
import { TakenAnyway } from './TakenAnyway';

type Order = Schemas['OrderView'];
type Act = Order['acts'][number];

export default function OrderPage() {
  const id = Number(useParams().id);
  const order = useQuery(orderQuery(id));
  // Together, so that its pieces push nothing down that is read already.
  const pieces = useInfiniteQuery(piecesQuery(id));
  const offers = useQuery(offersQuery(id));
  return (
    <Await query={order}>
      {(o) => (
        // What the shelf offers is waited for, but an order is there without it too.
        <Await query={pieces}>{() => (offers.isPending ? <Waiting /> : <OrderSheet order={o} />)}</Await>
      )}
    </Await>
  );
}

/** What comes next in an order's life, the first of these that may be done. */
const NEXT: Act[] = ['PLAN', 'FINISH', 'DISPATCH', 'ACCEPT'];

function OrderSheet({ order }: { order: Order }) {
  const { t } = useTranslation();
  const act = useAct(order.id);
  const [splitting, setSplitting] = useState(false);
  const may = (a: Act) => order.acts.includes(a);
  const next = NEXT.find(may);
  const button = (a: Act) => (
    <Button
      key={a}
      variant={a === next ? 'filled' : 'default'}
      loading={act.isPending && act.variables === a}
      onClick={() => act.mutate(a)}
    >
      {t(`act.${a}`)}
    </Button>
  );
  return (
    <Page
      title={t('order.title', { reference: order.reference })}
      actions={
        <>
          <Badge variant="outline" size="lg" radius="sm" tt="none">
            {t(`state.${order.state}`)}
          </Badge>
          {order.forShelf && (
            <Badge variant="outline" color="straw" size="lg" radius="sm" tt="none">
              {t('order.isForShelf')}
            </Badge>
          )}
          <More order={order} onSplit={() => setSplitting(true)} act={act.mutate} />
          {(['REOPEN', 'QUOTE', 'REVIVE'] as const).filter(may).map(button)}
          {next &&
            (next === 'PLAN' ? (
              <Button component={Link} to={`/plan?order=${encodeURIComponent(order.reference)}`}>
                {t('order.plan')}
              </Button>
            ) : (
              button(next)
            ))}
          {next === 'PLAN' && (['FINISH', 'DISPATCH'] as const).filter(may).map(button)}
        </>
      }
    >
      <ProblemNote error={act.error} />
      <OrderHead key={order.id} order={order} />
      <InTheWay order={order} />
      <PromisedPanel key={order.promised ?? 'none'} order={order} />
      <FromShelf order={order.id} />
      <PiecesPanel order={order.id} />
      <PriceTable order={order} />
      {order.lines.map((line) => (
        <LineSection key={line.id} order={order} line={line} />
      ))}
      {may('CHANGE_PIECES') && (
        <Group>
          <Button component={Link} variant="default" to={`/orders/${order.id}/lines/new`}>
            {t('line.add', { reference: '' })}
          </Button>
        </Group>
      )}
      <HistoryList history={order.history} />
      <SplitForm order={order} opened={splitting} onClose={() => setSplitting(false)} />
    </Page>
  );
}

interface MoreProps {
  order: Order;
  onSplit: () => void;
  act: (act: Act) => void;
}

/** What is done seldom. */
function More({ order, onSplit, act }: MoreProps) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const remove = useRemoveOrder();
  const again = useAgain(order.id);
  const forShelf = useForShelf(order.id);
  const pieces = order.lines.reduce((n, l) => n + l.quantity, 0);
  const untouched = order.lines.every((l) => l.planned === 0);
  return (
    <Menu position="bottom-end">
      <Menu.Target>
        <Button variant="default">{t('order.more')}</Button>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Item
          onClick={() => again.mutate(undefined, { onSuccess: ({ id }) => navigate(`/orders/${id}`) })}
        >
          {t('order.again')}
        </Menu.Item>
        {pieces > 1 && order.acts.includes('CHANGE_PIECES') && (
          <Menu.Item onClick={onSplit}>{t('order.split')}</Menu.Item>
        )}
        {(['CANCEL', 'CANCEL_REST'] as const)
          .filter((a) => order.acts.includes(a))
          .map((a) => (
            <Menu.Item key={a} onClick={() => act(a)}>
              {t(`act.${a}`)}
            </Menu.Item>
          ))}
        {order.state !== 'CANCELLED' && (
          <Menu.Item onClick={() => forShelf.mutate(!order.forShelf)}>
            {t(order.forShelf ? 'order.forCustomer' : 'order.forShelf')}
          </Menu.Item>
        )}
        {untouched && (
          <Menu.Item
            color="coral"
            onClick={() => remove.mutate(order.id, { onSuccess: () => navigate('/orders') })}
          >
            {t('order.remove')}
          </Menu.Item>
        )}
      </Menu.Dropdown>
    </Menu>
  );
}

function LineSection({ order, line }: { order: Order; line: Schemas['LineView'] }) {
  const { t } = useTranslation();
  const change = useChangeOrder(order.id);
  const patterns = useQuery(patternsQuery);
  const articles = useQuery(articlesQuery);
  const open = order.acts.includes('CHANGE_PIECES') && line.cut < line.quantity;
  const take = (offer: Schemas['OfferView']) => {
    const to = withOffer(line.choices, offer, patterns.data ?? [], articles.data ?? []);
    change.mutate(
      {
        lines: [{ line: line.id, choices: { from: line.choices, to: { ...to, units: line.choices.units } } }],
      },
      { onSuccess: () => notifications.show({ message: t('line.changed'), color: 'board' }) },
    );
  };
  return (
    <Stack component="section" className="panel" p="md" gap="xs">
      <Group justify="space-between">
        <Title order={2} size="h4">
          {line.quantity} × {line.piece.patternName}
          {line.sizeName ? ` · ${line.sizeName}` : ''}
          {line.wristUm !== undefined && (
            <>
              {' · '}
              <Length um={line.wristUm} kind="body" />
            </>
          )}
          {line.lengthUm !== undefined && (
            <>
              {' · '}
              <Length um={line.lengthUm} kind="body" />
            </>
          )}
        </Title>
        <Group gap="xs">
          <Text size="sm" c="dimmed">
            {t('order.progress', {
              planned: line.planned,
              cut: line.cut,
              made: line.made,
              gone: line.dispatched,
              count: line.quantity,
            })}
          </Text>
          {open && (
            <Button
              component={Link}
              size="compact-sm"
              variant="default"
              to={`/orders/${order.id}/lines/${line.id}`}
            >
              {t('line.edit')}
            </Button>
          )}
          {open && line.cut === 0 && order.lines.length > 1 && (
            <Button
              size="compact-sm"
              variant="subtle"
              loading={change.isPending}
              onClick={() => change.mutate({ removed: [line.id] })}
            >
              {t('line.remove')}
            </Button>
          )}
        </Group>
      </Group>
      <ProblemNote error={change.error} />
      {open && line.cut > 0 && <Text size="sm">{t('line.cutStays', { count: line.cut })}</Text>}
      {line.matching && <Text size="sm">{t('order.matching')}</Text>}
      {line.matching && line.quantity > 1 && <OneHand order={order.id} line={line} />}
      {line.note && <Text size="sm">{line.note}</Text>}
      <TakenAnyway order={order.id} line={line} />
      <PiecePanel piece={line.piece} onOffer={open ? take : undefined} />
    </Stack>
  );
}

/** A set that nobody shares with another maker, because no two hands tie alike. */
function OneHand({ order, line }: { order: number; line: Schemas['LineView'] }) {
  const { t } = useTranslation();
  const oneHand = useOneHand(order, line.id);
  if (line.made === line.quantity) return null;
  return (
    <>
      <Switch
        label={t('line.oneHand')}
        checked={line.oneHand}
        disabled={oneHand.isPending}
        onChange={(e) => oneHand.mutate(e.currentTarget.checked)}
      />
      <ProblemNote error={oneHand.error} />
    </>
  );
}
