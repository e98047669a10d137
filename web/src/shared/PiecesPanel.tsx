import {
  Anchor,
  Button,
  Checkbox,
  Group,
  NumberInput,
  Stack,
  Table,
  Text,
  TextInput,
  Title,
} from '@mantine/core';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { formatTime } from './format';
import { More } from './More';
import { ProblemNote } from './ProblemNote';
import { type PieceAct, piecesQuery, useNextPieces, usePieceAct, useTakeBack } from './pieces';

type OrderPiece = Schemas['OrderPiece'];

/** In the order in which they are done. */
const ACTS: PieceAct[] = ['START', 'FINISH', 'CHECK', 'PACK', 'SEND', 'REDO', 'COME_BACK', 'GIVE_UP'];

/** What is said with its reason, as the server wants it: something went wrong. */
const WITH_REASON: PieceAct[] = ['REDO', 'GIVE_UP'];
const LONGEST_REASON = 400;

/** What has a tag. */
const MADE: Schemas['PieceLook']['stage'][] = ['MADE', 'CHECKED', 'PACKED', 'SENT'];

/** What somebody is about to say: it names its pieces before it is said. */
interface Meant {
  act: PieceAct;
  pieces: OrderPiece[];
}

const named = (piece: OrderPiece) => `${piece.line}.${piece.number}`;

/** The pieces of an order, where each stands, and what can be said of it. */
export function PiecesPanel({ order }: { order: number }) {
  const { t } = useTranslation();
  const pieces = useInfiniteQuery(piecesQuery(order));
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const [count, setCount] = useState<number | string>('');
  const [meant, setMeant] = useState<Meant>();
  const [reason, setReason] = useState('');
  const next = useNextPieces(order);
  const act = usePieceAct();
  const back = useTakeBack();
  const rows = pieces.data?.pages.flatMap((page) => page.rows) ?? [];
  if (rows.every((row) => row.piece.stage === 'OPEN')) return null;
  const can = (a: PieceAct, row: OrderPiece) => row.piece.acts.includes(a);
  const toggle = (id: number) => {
    const others = new Set(chosen);
    if (!others.delete(id)) others.add(id);
    setChosen(others);
  };
  const mean = async (a: PieceAct) => {
    const ticked = rows.filter((row) => chosen.has(row.piece.piece) && can(a, row));
    setMeant({
      act: a,
      pieces: chosen.size > 0 ? ticked : await next.mutateAsync({ act: a, count: Number(count) || 0 }),
    });
  };
  const done = () => {
    setMeant(undefined);
    setChosen(new Set());
    setCount('');
    setReason('');
  };
  const asksWhy = meant !== undefined && meant.pieces.length > 0 && WITH_REASON.includes(meant.act);
  return (
    <Stack component="section" className="panel" p="md" gap="xs" aria-label={t('pieces.title')}>
      <Title order={2} size="h4">
        {t('pieces.title')}
      </Title>
      <Group gap="xs" align="flex-end">
        <NumberInput
          label={t('pieces.count')}
          placeholder={t('pieces.all')}
          disabled={chosen.size > 0}
          value={count}
          onChange={setCount}
          min={1}
          max={2000}
          allowDecimal={false}
          w={110}
        />
        {ACTS.filter((a) => rows.some((row) => can(a, row))).map((a) => (
          <Button key={a} variant="default" onClick={() => mean(a)}>
            {t(`pieces.act.${a}`)}
          </Button>
        ))}
      </Group>
      {meant && (
        <Group gap="xs" role="status" align="flex-end">
          <Text size="sm">
            {meant.pieces.length === 0
              ? t('pieces.none')
              : t(`pieces.meant.${meant.act}`, {
                  count: meant.pieces.length,
                  pieces: meant.pieces.map(named).join(', '),
                })}
          </Text>
          {asksWhy && (
            <TextInput
              size="xs"
              w={260}
              label={t('pieces.reason')}
              maxLength={LONGEST_REASON}
              data-autofocus
              value={reason}
              onChange={(e) => setReason(e.currentTarget.value)}
            />
          )}
          {meant.pieces.length > 0 && (
            <Button
              size="compact-sm"
              disabled={asksWhy && reason.trim() === ''}
              loading={act.isPending}
              onClick={() =>
                act.mutate(
                  {
                    act: meant.act,
                    pieces: meant.pieces.map((p) => p.piece.piece),
                    ...(asksWhy && { reason }),
                  },
                  { onSuccess: done },
                )
              }
            >
              {t('pieces.yes')}
            </Button>
          )}
          <Button size="compact-sm" variant="subtle" onClick={() => setMeant(undefined)}>
            {t('pieces.no')}
          </Button>
        </Group>
      )}
      <ProblemNote error={act.error ?? next.error ?? back.error} />
      <Table fz="sm" verticalSpacing={3}>
        <Table.Thead>
          <Table.Tr>
            <Table.Td w={40} />
            <Table.Th w={70}>{t('pieces.piece')}</Table.Th>
            <Table.Th w="100%">{t('pieces.stage')}</Table.Th>
            <Table.Td />
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {rows.map((row) => (
            <PieceRow
              key={row.piece.piece}
              row={row}
              chosen={chosen.has(row.piece.piece)}
              onToggle={() => toggle(row.piece.piece)}
              onTakeBack={(event) => back.mutate([event])}
            />
          ))}
        </Table.Tbody>
      </Table>
      <More query={pieces} />
    </Stack>
  );
}

interface PieceRowProps {
  row: OrderPiece;
  chosen: boolean;
  onToggle: () => void;
  onTakeBack: (event: number) => void;
}

function PieceRow({ row, chosen, onToggle, onTakeBack }: PieceRowProps) {
  const { t } = useTranslation();
  const { stage, dryUntil, last, acts } = row.piece;
  return (
    <Table.Tr>
      <Table.Td>
        {acts.length > 0 && (
          <Checkbox
            checked={chosen}
            onChange={onToggle}
            aria-label={t('pieces.choose', { piece: named(row) })}
          />
        )}
      </Table.Td>
      <Table.Td ff="monospace">
        {MADE.includes(stage) ? (
          <Anchor component={Link} to={`/finished/pieces/${row.piece.piece}`} inherit underline="always">
            {named(row)}
          </Anchor>
        ) : (
          named(row)
        )}
      </Table.Td>
      <Table.Td>
        {t(`pieces.at.${stage}`)}
        {dryUntil && `, ${t('pieces.dry', { at: formatTime(dryUntil) })}`}
        {row.replaces && `, ${t('pieces.replaces', { piece: `${row.line}.${row.replaces}` })}`}
        {last && (
          <Text size="xs" c="dimmed">
            {t(`pieces.done.${last.act}`, { who: last.who, at: formatTime(last.at) })}
            {last.reason && `: ${last.reason}`}
          </Text>
        )}
      </Table.Td>
      <Table.Td ta="right">
        {last?.takenBackAlone && (
          <Button size="compact-sm" variant="subtle" onClick={() => onTakeBack(last.event)}>
            {t('pieces.takeBack')}
          </Button>
        )}
      </Table.Td>
    </Table.Tr>
  );
}
