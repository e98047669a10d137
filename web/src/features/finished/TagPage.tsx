import { Anchor, Button, Group, NativeSelect, Stack, Text, TextInput } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { Money } from '../../shared/Figures';
import { formatDay, formatTime } from '../../shared/format';
import { Await, Page } from '../../shared/Page';
import { PieceChip } from '../../shared/PiecePicture';
import { ProblemNote } from '../../shared/ProblemNote';
import { SizeOf } from './ShelfPage';
import { type ShelfPiece, tagQuery, useSeen, useSell, useShelfAct } from './shelf';

type How = Schemas['SaleInput']['how'];

const HOWS: How[] = ['CASH', 'CARD', 'TRANSFER', 'OTHER'];

/** What a tag leads to: the piece, where it stands, and selling it from the shelf. */
export default function TagPage() {
  const id = Number(useParams().piece);
  const piece = useQuery(tagQuery(id));
  return <Await query={piece}>{(p) => <Tag key={`${p.piece} ${p.there}`} piece={p} />}</Await>;
}

function Tag({ piece }: { piece: ShelfPiece }) {
  const { t } = useTranslation();
  return (
    <Page
      title={`${piece.patternName} #${piece.piece}`}
      actions={
        <Button component={Link} to="/finished/shelf" variant="default">
          {t('shelf.title')}
        </Button>
      }
    >
      <Stack className="panel" p="md" gap="sm" maw={620}>
        <Group gap="md">
          <PieceChip lineId={piece.line} />
          <Text>
            <SizeOf piece={piece} /> {piece.colours.join(', ')}
          </Text>
        </Group>
        <Text size="sm">
          {piece.there ? t('shelf.there') : t(`pieces.at.${piece.stage}`)} ·{' '}
          <Anchor component={Link} to={`/orders/${piece.order}`} size="sm" underline="always">
            {piece.reference} · {piece.customer || t('customers.nameless')}
          </Anchor>
        </Text>
        <Text size="sm">
          {t('shelf.cost')} <Money value={piece.cost} /> · {t('shelf.price')} <Money value={piece.price} />
        </Text>
        {['MADE', 'CHECKED', 'PACKED'].includes(piece.stage) && (
          <Anchor component={Link} to={`/bench/${piece.piece}`} size="sm" underline="always">
            {t('shelf.resize')}
          </Anchor>
        )}
        {piece.there && <Counted piece={piece} />}
        {piece.there && <SellForm piece={piece} />}
        {piece.sale && <Sold piece={piece} sale={piece.sale} />}
        {!piece.there && piece.back && <Keep piece={piece} />}
      </Stack>
    </Page>
  );
}

/** Whoever counts the shelf scans the tag and says that it is here. */
function Counted({ piece }: { piece: ShelfPiece }) {
  const { t } = useTranslation();
  const seen = useSeen(piece.piece);
  return (
    <Group gap="sm">
      <Button variant="default" mih={44} loading={seen.isPending} onClick={() => seen.mutate(!piece.seen)}>
        {t(piece.seen ? 'shelf.count.notSeen' : 'shelf.count.here')}
      </Button>
      {piece.seen && (
        <Text size="sm">{t('shelf.count.by', { when: formatTime(piece.seen.at), who: piece.seen.who })}</Text>
      )}
      <ProblemNote error={seen.error} />
    </Group>
  );
}

function SellForm({ piece }: { piece: ShelfPiece }) {
  const { t } = useTranslation();
  const sell = useSell(piece.piece);
  const [price, setPrice] = useState(piece.price.toFixed(2));
  const [how, setHow] = useState<How>('CASH');
  const [note, setNote] = useState('');
  const problem = (field: string) =>
    sell.error instanceof ProblemError ? sell.error.field(field) : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    sell.mutate(
      { price, how, note },
      { onSuccess: () => notifications.show({ message: t('shelf.isSold'), color: 'board' }) },
    );
  };
  return (
    <Stack component="form" onSubmit={submit} gap="sm">
      <Group gap="sm" align="flex-start" grow>
        <TextInput
          label={t('shelf.for')}
          inputMode="decimal"
          value={price}
          onChange={(e) => setPrice(e.currentTarget.value)}
          error={problem('price')}
        />
        <NativeSelect
          label={t('payment.how')}
          value={how}
          onChange={(e) => setHow(e.currentTarget.value as How)}
          data={HOWS.map((value) => ({ value, label: t(`payment.how.${value}`) }))}
        />
      </Group>
      <TextInput
        label={t('newOrder.note')}
        value={note}
        maxLength={200}
        onChange={(e) => setNote(e.currentTarget.value)}
        error={problem('note')}
      />
      <ProblemNote error={sell.error} shown={['price', 'note']} />
      <Group>
        <Button type="submit" mih={48} loading={sell.isPending}>
          {t('shelf.sell')}
        </Button>
      </Group>
    </Stack>
  );
}

function Sold({ piece, sale }: { piece: ShelfPiece; sale: Schemas['SaleView'] }) {
  const { t } = useTranslation();
  const back = useShelfAct(piece.piece, 'take-back');
  return (
    <Stack gap="xs">
      <Text>
        {t('shelf.soldOn', { day: formatDay(sale.soldOn), who: sale.who })}{' '}
        <Money value={sale.price} strong /> · {t(`payment.how.${sale.how}`)}
        {sale.note && ` · ${sale.note}`}
      </Text>
      <ProblemNote error={back.error} />
      <Group>
        <Button variant="default" mih={44} loading={back.isPending} onClick={() => back.mutate()}>
          {t('shelf.notSold')}
        </Button>
      </Group>
    </Stack>
  );
}

function Keep({ piece }: { piece: ShelfPiece }) {
  const { t } = useTranslation();
  const keep = useShelfAct(piece.piece, 'keep');
  return (
    <Stack gap="xs">
      <ProblemNote error={keep.error} />
      <Group>
        <Button variant="default" mih={44} loading={keep.isPending} onClick={() => keep.mutate()}>
          {t('shelf.keep')}
        </Button>
      </Group>
    </Stack>
  );
}
