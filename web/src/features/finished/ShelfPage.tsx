import { Anchor, Button, Stack, Text } from '@mantine/core';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { Length, Money } from '../../shared/Figures';
import { formatTime } from '../../shared/format';
import { More } from '../../shared/More';
import { Await, Empty, Page } from '../../shared/Page';
import { PieceChip } from '../../shared/PiecePicture';
import classes from './Finished.module.css';
import { SellsWell } from './SellsWell';
import { type ShelfPiece, shelfQuery } from './shelf';

/** Finished pieces that nobody waits for, with what all of them cost. */
export default function ShelfPage() {
  const { t } = useTranslation();
  const shelf = useInfiniteQuery(shelfQuery);
  return (
    <Page
      title={t('shelf.title')}
      actions={
        <>
          <Button component={Link} to="/finished/shelf/count" variant="default">
            {t('shelf.count')}
          </Button>
          <Button component={Link} to="/finished" variant="default">
            {t('shelf.toFinished')}
          </Button>
        </>
      }
    >
      <Await query={shelf}>
        {(all) => {
          const rows = all.pages.flatMap((p) => p.rows);
          const worth = all.pages[0]?.worth;
          return rows.length === 0 ? (
            <Empty words={t('shelf.nothing')}>
              <Button component={Link} to="/orders/new">
                {t('today.newOrder')}
              </Button>
            </Empty>
          ) : (
            <Stack gap="xs">
              {worth && (
                <Text>
                  {t('shelf.worth', { count: worth.pieces })} <Money value={worth.value} strong />
                </Text>
              )}
              <ul className={`panel ${classes.rows}`}>
                {rows.map((piece) => (
                  <ShelfRow key={piece.piece} piece={piece} />
                ))}
              </ul>
              <More query={shelf} />
            </Stack>
          );
        }}
      </Await>
      <SellsWell />
    </Page>
  );
}

function ShelfRow({ piece }: { piece: ShelfPiece }) {
  const { t } = useTranslation();
  return (
    <li className={classes.row}>
      <PieceChip lineId={piece.line} />
      <div>
        <Anchor component={Link} to={`/finished/pieces/${piece.piece}`} fw={650}>
          {piece.patternName} #{piece.piece}
        </Anchor>
        <Text size="sm" c="dimmed">
          <SizeOf piece={piece} /> {piece.colours.join(', ')}
        </Text>
      </div>
      <Text size="sm">
        {piece.why && t(`shelf.why.${piece.why}`)}
        {piece.since && ` · ${formatTime(piece.since)}`}
      </Text>
      <Text size="sm">
        {t('shelf.cost')} <Money value={piece.cost} /> · {t('shelf.price')} <Money value={piece.price} />
      </Text>
      <Button component={Link} to={`/finished/pieces/${piece.piece}`} variant="default" mih={44}>
        {t('shelf.sell')}
      </Button>
    </li>
  );
}

export function SizeOf({ piece }: { piece: Pick<ShelfPiece, 'sizeName' | 'wristUm' | 'lengthUm'> }) {
  if (piece.sizeName) return <>{piece.sizeName} ·</>;
  const um = piece.wristUm ?? piece.lengthUm;
  return um === undefined ? null : (
    <>
      <Length um={um} kind="body" /> ·
    </>
  );
}
