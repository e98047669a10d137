import { Button, Group, Stack, Text, TextInput } from '@mantine/core';
import { useInfiniteQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { ProblemError } from '../../api/client';
import { formatTime } from '../../shared/format';
import { More } from '../../shared/More';
import { Await, Empty, Page } from '../../shared/Page';
import { PieceChip } from '../../shared/PiecePicture';
import { ProblemNote } from '../../shared/ProblemNote';
import classes from './Finished.module.css';
import { SizeOf } from './ShelfPage';
import { type ShelfPiece, unseenQuery, useMissing, useSeen } from './shelf';

/** Counting the shelf: every piece is seen, or said to be missing; what is left to look for stands here. */
export default function ShelfCountPage() {
  const { t } = useTranslation();
  const unseen = useInfiniteQuery(unseenQuery);
  return (
    <Page
      title={t('shelf.count.title')}
      actions={
        <Button component={Link} to="/finished/shelf" variant="default">
          {t('shelf.title')}
        </Button>
      }
    >
      <Text maw={620}>{t('shelf.count.how')}</Text>
      <Await query={unseen}>
        {(all) => {
          const rows = all.pages.flatMap((p) => p.rows);
          const worth = all.pages[0]?.worth;
          return (
            <Stack gap="xs">
              {worth && (
                <Text fw={650} role="status">
                  {t('shelf.count.seen', { seen: worth.seen, count: worth.pieces })}
                </Text>
              )}
              {rows.length === 0 ? (
                <Empty words={t('shelf.count.done')}>
                  <Button component={Link} to="/finished/shelf">
                    {t('shelf.title')}
                  </Button>
                </Empty>
              ) : (
                <ul className={`panel ${classes.rows}`}>
                  {rows.map((piece) => (
                    <Row key={piece.piece} piece={piece} />
                  ))}
                </ul>
              )}
              <More query={unseen} />
            </Stack>
          );
        }}
      </Await>
    </Page>
  );
}

function Row({ piece }: { piece: ShelfPiece }) {
  const { t } = useTranslation();
  const seen = useSeen(piece.piece);
  const [gone, setGone] = useState(false);
  return (
    <li className={classes.row}>
      <PieceChip lineId={piece.line} />
      <div>
        <Text fw={650}>
          {piece.patternName} #{piece.piece}
        </Text>
        <Text size="sm" c="dimmed">
          <SizeOf piece={piece} /> {piece.colours.join(', ')}
        </Text>
      </div>
      <Text size="sm" component="div">
        {piece.why && t(`shelf.why.${piece.why}`)}
        {piece.since && ` · ${formatTime(piece.since)}`}
        <ProblemNote error={seen.error} />
      </Text>
      {gone ? (
        <Missing piece={piece} onClose={() => setGone(false)} />
      ) : (
        <Group gap="xs" wrap="nowrap">
          <Button mih={48} loading={seen.isPending} onClick={() => seen.mutate(true)}>
            {t('shelf.count.here')}
          </Button>
          <Button mih={48} variant="default" onClick={() => setGone(true)}>
            {t('shelf.count.missing')}
          </Button>
        </Group>
      )}
    </li>
  );
}

function Missing({ piece, onClose }: { piece: ShelfPiece; onClose: () => void }) {
  const { t } = useTranslation();
  const missing = useMissing(piece.piece);
  const [reason, setReason] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    missing.mutate(reason);
  };
  return (
    <Stack component="form" onSubmit={submit} gap="xs">
      <TextInput
        data-autofocus
        autoFocus
        label={t('shelf.count.why')}
        value={reason}
        maxLength={400}
        onChange={(e) => setReason(e.currentTarget.value)}
        error={missing.error instanceof ProblemError ? missing.error.field('reason') : undefined}
      />
      <ProblemNote error={missing.error} shown={['reason']} />
      <Group gap="xs">
        <Button type="submit" mih={44} loading={missing.isPending}>
          {t('shelf.count.isMissing')}
        </Button>
        <Button variant="default" mih={44} onClick={onClose}>
          {t('shelf.count.look')}
        </Button>
      </Group>
    </Stack>
  );
}
