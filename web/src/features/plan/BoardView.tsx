import { ActionIcon, Button, Group, Stack, Text, Tooltip } from '@mantine/core';
import { type DragEvent, type KeyboardEvent, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { formatDay } from '../../shared/format';
import { ProblemNote } from '../../shared/ProblemNote';
import { asClock } from '../../shared/risk';
import { useSession } from '../../shared/session';
import { BlockPanel } from './BlockPanel';
import classes from './BoardView.module.css';
import { type Block, type Board, type Day, type Maker, type PlanAct, usePlanAct } from './board';
import { Feeds, FilesMenu } from './Files';
import { PlanHead } from './PlanHead';
import { Troubled } from './Troubled';
import { Unplanned } from './Unplanned';
import { told } from './words';

/** A batch in its place. */
export interface Stands {
  block: Block;
  person: number;
  day: string;
}

/** Which one of a plan it is; the next plan has other numbers. */
const idOf = (block: Block) => block.parcels.join('-');

const WEEK = 7;
const DRAGGED = 'application/x-restis-parcels';

const shifted = (day: string, by: number) => {
  const date = new Date(`${day}T12:00Z`);
  date.setUTCDate(date.getUTCDate() + by);
  return date.toISOString().slice(0, 10);
};

interface BoardProps {
  board: Board;
  from: string | undefined;
  unplanned: Schemas['UnplannedView'][];
}

/** Days across, makers down, batches as wide as their minutes. */
export function BoardView({ board, from, unplanned }: BoardProps) {
  const { t } = useTranslation();
  const [, setAddress] = useSearchParams();
  const { data: session } = useSession();
  const owner = session?.role === 'OWNER';
  const act = usePlanAct();
  const [chosen, setChosen] = useState<string>();
  const plan = board.plan;
  const all: Stands[] = board.makers.flatMap((maker) =>
    maker.days.flatMap((day) => day.blocks.map((block) => ({ block, person: maker.person, day: day.day }))),
  );
  const open = all.find((at) => idOf(at.block) === chosen);
  const begin = from ?? board.today;
  const go = (by: number) => {
    const day = shifted(begin, by);
    setAddress(day <= board.today ? {} : { from: day });
  };
  const say = (one: PlanAct, then?: () => void) => act.mutate(one, { onSuccess: () => then?.() });
  const keys = useBoardKeys(board, say);
  return (
    <Stack gap="sm">
      <PlanHead board={board} owner={owner} act={say} acting={act.isPending} />
      <ProblemNote error={act.error} />
      <Group justify="space-between" gap="xs">
        <Group gap="xs">
          <Button size="xs" variant="default" disabled={begin <= board.today} onClick={() => go(-WEEK)}>
            {t('days.before')}
          </Button>
          <Button size="xs" variant="default" onClick={() => setAddress({})} disabled={begin === board.today}>
            {t('days.fromToday')}
          </Button>
          <Button size="xs" variant="default" onClick={() => go(WEEK)} disabled={board.hidden === 0}>
            {t('days.after')}
          </Button>
        </Group>
        {board.lastDay && (
          <Text size="sm" c="dimmed" flex={1} ta="right">
            {t('days.until', { day: formatDay(board.lastDay) })}
            {board.hidden > 0 ? ` · ${t('days.hidden', { count: board.hidden })}` : ''}
          </Text>
        )}
        {plan && <FilesMenu />}
      </Group>
      <Group align="flex-start" gap="sm" wrap="nowrap">
        {unplanned.length > 0 && <Unplanned setUps={unplanned} />}
        <div className={classes.days}>
          <table className={classes.board} aria-label={t('days.board')}>
            <thead>
              <tr>
                <td className={classes.corner} />
                {board.days.map((day) => (
                  <th key={day} scope="col" data-today={day === board.today || undefined}>
                    <Group justify="space-between" gap={2} wrap="nowrap">
                      <Text size="sm" fw={600}>
                        {day === board.today ? t('days.todayShort') : formatDay(day)}
                      </Text>
                      {owner && plan && (
                        <LockDay
                          board={board}
                          day={day}
                          onLock={(locked) => say({ act: 'lock', body: { plan: plan.id, day, locked } })}
                        />
                      )}
                    </Group>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {board.makers.map((maker) => (
                <tr key={maker.person}>
                  <th scope="row">
                    <Text size="sm" fw={650} truncate>
                      {maker.name || t('days.gone')}
                    </Text>
                  </th>
                  {maker.days.map((day) => (
                    <DayCell
                      key={day.day}
                      maker={maker}
                      day={day}
                      widest={widest(board)}
                      chosen={chosen}
                      onChoose={(block) => setChosen(idOf(block) === chosen ? undefined : idOf(block))}
                      onDrop={(parcels) =>
                        plan &&
                        say({
                          act: 'move',
                          body: { plan: plan.id, parcels, person: maker.person, day: day.day },
                        })
                      }
                      onKey={keys}
                    />
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </Group>
      <Text size="xs" c="dimmed" className="no-print">
        {t('days.keys')}
      </Text>
      {open && plan && (
        <BlockPanel
          key={idOf(open.block)}
          board={board}
          plan={plan}
          at={open}
          owner={owner}
          next={after(board, open)}
          act={say}
          acting={act.isPending}
          onClose={() => setChosen(undefined)}
        />
      )}
      {plan && <Troubled plan={plan} />}
      {plan && <Feeds makers={board.makers} />}
    </Stack>
  );
}

/** Of all makers' days that are shown, the longest: blocks are drawn to one scale. */
const widest = (board: Board) =>
  Math.max(1, ...board.makers.flatMap((m) => m.days.map((d) => Math.max(d.openSeconds, d.usedSeconds))));

/** The next batch of the maker for which nothing but spools is changed. */
function after(board: Board, at: Stands): Block | undefined {
  const line = board.makers.find((m) => m.person === at.person)?.days.flatMap((d) => d.blocks) ?? [];
  return line
    .slice(line.findIndex((b) => b.parcels[0] === at.block.parcels[0]) + 1)
    .find((b) => b.bench === at.block.bench && b.state !== 'BEGUN' && !sharesParcel(b, at.block));
}

/** What runs over a night is of both days. */
const sharesParcel = (one: Block, other: Block) => one.parcels.some((p) => other.parcels.includes(p));

function LockDay({ board, day, onLock }: { board: Board; day: string; onLock: (locked: boolean) => void }) {
  const { t } = useTranslation();
  const blocks = board.makers.flatMap((m) => m.days.filter((d) => d.day === day).flatMap((d) => d.blocks));
  const free = blocks.some((b) => b.state === 'FREE');
  const pinned = blocks.some((b) => b.state === 'PINNED');
  if (!free && !pinned) return null;
  const words = t(free ? 'days.lock' : 'days.unlock', { day: formatDay(day) });
  return (
    <Tooltip label={words}>
      <ActionIcon size="sm" variant="subtle" color="slate" aria-label={words} onClick={() => onLock(free)}>
        <svg
          viewBox="0 0 14 14"
          width="14"
          height="14"
          aria-hidden="true"
          fill="none"
          stroke="currentColor"
          strokeWidth="1.5"
        >
          <circle cx="7" cy="4.5" r="2.8" />
          <path d={free ? 'M7 7.3V13' : 'M7 7.3V13M3 11l8 0'} />
        </svg>
      </ActionIcon>
    </Tooltip>
  );
}

interface CellProps {
  maker: Maker;
  day: Day;
  widest: number;
  chosen: string | undefined;
  onChoose: (block: Block) => void;
  onDrop: (parcels: number[]) => void;
  onKey: (event: KeyboardEvent, at: Stands) => void;
}

function DayCell({ maker, day, widest: longest, chosen, onChoose, onDrop, onKey }: CellProps) {
  const { t } = useTranslation();
  const [over, setOver] = useState(false);
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    const parcels = event.dataTransfer.getData(DRAGGED);
    if (parcels !== '') onDrop(JSON.parse(parcels) as number[]);
  };
  return (
    <td
      className={classes.cell}
      data-over={over || undefined}
      data-person={maker.person}
      data-day={day.day}
      onDragOver={(e) => {
        if (e.dataTransfer.types.includes(DRAGGED)) {
          e.preventDefault();
          setOver(true);
        }
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      <div
        className={classes.scale}
        style={{ width: `${(100 * day.openSeconds) / longest}%` }}
        aria-hidden="true"
      />
      <div className={classes.blocks}>
        {day.blocks.map((block) => (
          <BlockBar
            key={idOf(block)}
            block={block}
            share={block.seconds / longest}
            chosen={idOf(block) === chosen}
            onChoose={() => onChoose(block)}
            onKey={(e) => onKey(e, { block, person: maker.person, day: day.day })}
          />
        ))}
      </div>
      <Text size="xs" c="dimmed" className="figure" style={{ whiteSpace: 'normal' }}>
        {day.openSeconds === 0 && day.usedSeconds === 0
          ? t('days.off')
          : t('days.used', { used: asClock(day.usedSeconds), open: asClock(day.openSeconds) })}
      </Text>
    </td>
  );
}

/** The stripes of a batch: its cords, side by side. */
function stripes(block: Block): string {
  const colours = block.cords.map((c) => c.colour);
  if (colours.length === 0) return 'var(--plate)';
  const width = 100 / colours.length;
  return `linear-gradient(to bottom, ${colours
    .flatMap((c, i) => [`${c} ${i * width}%`, `${c} ${(i + 1) * width}%`])
    .join(', ')})`;
}

interface BarProps {
  block: Block;
  share: number;
  chosen: boolean;
  onChoose: () => void;
  onKey: (event: KeyboardEvent) => void;
}

function BlockBar({ block, share, chosen, onChoose, onKey }: BarProps) {
  const { t } = useTranslation();
  const words = told(t, block);
  const tooltip = useRef<HTMLButtonElement>(null);
  return (
    <Tooltip label={words} multiline maw={320} openDelay={400}>
      <button
        ref={tooltip}
        type="button"
        className={classes.block}
        style={{ width: `${100 * share}%` }}
        data-state={block.state}
        data-late={block.late || undefined}
        data-pieces={block.pieces}
        aria-label={words}
        aria-pressed={chosen}
        draggable={block.state !== 'BEGUN'}
        onDragStart={(e) => {
          e.dataTransfer.setData(DRAGGED, JSON.stringify(block.parcels));
          e.dataTransfer.effectAllowed = 'move';
        }}
        onClick={onChoose}
        onKeyDown={onKey}
      >
        <span className={classes.cord} style={{ background: stripes(block) }} />
        <span className={classes.count}>
          {block.pieces || '…'}
          {block.late ? '!' : ''}
        </span>
      </button>
    </Tooltip>
  );
}

/** Arrows carry a batch from day to day and from maker to maker; letters do the rest. */
function useBoardKeys(board: Board, act: (one: PlanAct) => void) {
  return (event: KeyboardEvent, at: Stands) => {
    const plan = board.plan?.id;
    if (plan === undefined || at.block.state === 'BEGUN' || event.ctrlKey || event.metaKey || event.altKey)
      return;
    const { parcels } = at.block;
    const makers = board.makers.map((m) => m.person);
    const moved = (person: number | undefined, day: string | undefined) => {
      if (person !== undefined && day !== undefined) {
        event.preventDefault();
        act({ act: 'move', body: { plan, parcels, person, day } });
      }
    };
    const maker = makers.indexOf(at.person);
    const day = board.days.indexOf(at.day);
    switch (event.key) {
      case 'ArrowRight':
        return moved(at.person, board.days[day + 1]);
      case 'ArrowLeft':
        return moved(at.person, board.days[day - 1]);
      case 'ArrowDown':
        return moved(makers[maker + 1], at.day);
      case 'ArrowUp':
        return moved(makers[maker - 1], at.day);
      case 'p':
        return act(
          at.block.state === 'PINNED'
            ? { act: 'release', body: { plan, parcels } }
            : { act: 'pin', body: { plan, parcels, person: at.person, day: at.day } },
        );
      case 't':
        return act({ act: 'take', body: { plan, parcels } });
      case 'm': {
        const next = after(board, at);
        return next && act({ act: 'merge', body: { plan, parcels, with: next.parcels } });
      }
    }
  };
}
