import { ActionIcon, Menu } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { ProblemNote } from '../../shared/ProblemNote';
import { useOrder, useWish } from './queries';

interface Props {
  list: Schemas['CutListView'];
  spool: Schemas['SpoolView'];
}

const wishes = (list: Schemas['CutListView']): Schemas['Wishes'] => ({
  forbidden: list.forbidden.map((f) => f.holdingId),
  pins: list.pins.map((p) => ({ piece: p.pieceId, holding: p.holdingId })),
});

function Dots() {
  return (
    <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
      {[3, 8, 13].map((y) => (
        <circle key={y} cx="8" cy={y} r="1.6" fill="currentColor" />
      ))}
    </svg>
  );
}

/** When a spool is cut, and whether it is cut at all. */
export function SpoolMenu({ list, spool }: Props) {
  const { t } = useTranslation();
  const order = useOrder(list.id);
  const wish = useWish(list.id);
  const ids = list.spools.map((s) => s.id);
  const at = ids.indexOf(spool.id);
  const move = (to: number) => {
    const others = ids.filter((id) => id !== spool.id);
    order.mutate([...others.slice(0, to), spool.id, ...others.slice(to)]);
  };
  const forbid = () => {
    const now = wishes(list);
    wish.mutate({
      forbidden: [...now.forbidden, spool.holdingId],
      pins: now.pins.filter((p) => p.holding !== spool.holdingId),
    });
  };
  return (
    <>
      <Menu position="bottom-end">
        <Menu.Target>
          <ActionIcon
            variant="default"
            size="lg"
            className="no-print"
            loading={order.isPending || wish.isPending}
            aria-label={t('cut.menu', { spool: spool.label })}
          >
            <Dots />
          </ActionIcon>
        </Menu.Target>
        <Menu.Dropdown>
          <Menu.Item disabled={at === 0} onClick={() => move(0)}>
            {t('cut.first')}
          </Menu.Item>
          <Menu.Item disabled={at === 0} onClick={() => move(at - 1)}>
            {t('cut.earlier')}
          </Menu.Item>
          <Menu.Item disabled={at === ids.length - 1} onClick={() => move(at + 1)}>
            {t('cut.later')}
          </Menu.Item>
          <Menu.Divider />
          <Menu.Item onClick={forbid}>{t('cut.forbid')}</Menu.Item>
        </Menu.Dropdown>
      </Menu>
      <ProblemNote error={order.error ?? wish.error} />
    </>
  );
}

interface PinProps extends Props {
  steps: Schemas['StepView'][];
}

/** Which spool the pieces of a row are cut from. */
export function PinMenu({ list, spool, steps }: PinProps) {
  const { t } = useTranslation();
  const wish = useWish(list.id);
  const pieces = [...new Set(steps.filter((s) => !s.doneAt).flatMap((s) => s.pieceId ?? []))];
  if (pieces.length === 0) return null;
  const alike = list.spools.filter((s) => s.articleCode === spool.articleCode);
  const alikeIds = new Set(alike.map((s) => s.holdingId));
  const pinned = list.pins.some((p) => pieces.includes(p.pieceId) && alikeIds.has(p.holdingId));
  const pin = (holding: number | undefined) => {
    const now = wishes(list);
    const others = now.pins.filter((p) => !(pieces.includes(p.piece) && alikeIds.has(p.holding)));
    const added = holding === undefined ? [] : pieces.map((piece) => ({ piece, holding }));
    wish.mutate({ forbidden: now.forbidden, pins: [...others, ...added] });
  };
  return (
    <Menu position="bottom-end">
      <Menu.Target>
        <ActionIcon
          variant={pinned ? 'light' : 'subtle'}
          size="md"
          className="no-print"
          loading={wish.isPending}
          aria-label={t('cut.pinMenu', { pieces: pieces.map((p) => `#${p}`).join(', ') })}
        >
          <Dots />
        </ActionIcon>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Label>{t('cut.pinWhere')}</Menu.Label>
        {alike.map((s) => (
          <Menu.Item key={s.holdingId} onClick={() => pin(s.holdingId)}>
            {t(`holding.${s.kind}`)} {s.label}
          </Menu.Item>
        ))}
        <Menu.Item disabled={!pinned} onClick={() => pin(undefined)}>
          {t('cut.unpin')}
        </Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}

/** What the bench wants of the plan, and how to take it back. */
export function Wishes({ list }: { list: Schemas['CutListView'] }) {
  const { t } = useTranslation();
  const wish = useWish(list.id);
  if (list.forbidden.length === 0 && list.pins.length === 0) return null;
  const now = wishes(list);
  return (
    <ul className="plain">
      {list.forbidden.map((f) => (
        <li key={f.holdingId}>
          {t('cut.forbidden', { spool: f.label, article: f.articleCode })}{' '}
          <button
            type="button"
            className="link"
            onClick={() =>
              wish.mutate({ ...now, forbidden: now.forbidden.filter((id) => id !== f.holdingId) })
            }
          >
            {t('cut.allow')}
          </button>
        </li>
      ))}
      {list.pins.map((p) => (
        <li key={`${p.pieceId} ${p.holdingId}`}>
          {t('cut.pinned', {
            reference: p.reference,
            piece: p.pieceId,
            spool: p.label,
            article: p.articleCode,
          })}{' '}
          <button
            type="button"
            className="link"
            onClick={() =>
              wish.mutate({
                ...now,
                pins: now.pins.filter((q) => q.piece !== p.pieceId || q.holding !== p.holdingId),
              })
            }
          >
            {t('cut.unpin')}
          </button>
        </li>
      ))}
    </ul>
  );
}
