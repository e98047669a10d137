import { Anchor, Button, Group, NativeSelect, NumberInput, Stack, Text, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { formatDay } from '../../shared/format';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { inMinutes, lateWords } from '../../shared/risk';
import { Swatch } from '../../shared/Swatch';
import { usePropose } from '../../shared/work';
import type { Stands } from './BoardView';
import { type Block, type Board, type Head, type PlanAct, reasonQuery } from './board';
import { howMany } from './words';

/** Less than that is no difference. */
const HALF_A_MINUTE = 30;

interface Props {
  board: Board;
  plan: Head;
  at: Stands;
  owner: boolean;
  next: Block | undefined;
  act: (one: PlanAct, then?: () => void) => void;
  acting: boolean;
  onClose: () => void;
}

/** A batch, why it stands where it stands, and what can be done with it. */
export function BlockPanel({ board, plan, at, next, act, acting, onClose }: Props) {
  const { t } = useTranslation();
  const { block } = at;
  const maker = board.makers.find((m) => m.person === at.person);
  const mine = { plan: plan.id, parcels: block.parcels };
  return (
    <Stack component="section" className="panel" p="sm" gap="sm" aria-label={t('days.block')}>
      <Group justify="space-between" gap="sm" align="flex-start">
        <Stack gap={2}>
          <Title order={2} size="h4">
            {howMany(t, block)} · {block.patterns.join(', ')}
          </Title>
          <Group gap={10}>
            {block.cords.map((c) => (
              <Group key={c.code} gap={4} wrap="nowrap">
                <Swatch colour={c.colour} />
                <Text size="sm">
                  {c.name} <span className="figure">{c.code}</span>
                </Text>
              </Group>
            ))}
          </Group>
          <Text size="sm">
            {maker?.name} · {formatDay(at.day)} · {inMinutes(t, block.seconds)} ·{' '}
            {t(`days.state.${block.state}`)}
          </Text>
          <Text size="sm">
            {t('days.late.words', { words: lateWords(t, block.lateChance) })}
            {block.late ? ` ${t('days.lateAsPlanned')}` : ''}
          </Text>
          <Text size="sm">
            {block.orders.map((o, i) => (
              <span key={o.id}>
                {i > 0 ? ', ' : ''}
                <Anchor component={Link} to={`/orders/${o.id}`} inherit underline="always">
                  {o.reference}
                </Anchor>{' '}
                {o.customer}
                {o.due ? ` (${formatDay(o.due)})` : ''}
              </span>
            ))}
          </Text>
        </Stack>
        <Button variant="subtle" onClick={onClose}>
          {t('days.close')}
        </Button>
      </Group>
      {block.state === 'FREE' && <Reason plan={plan} at={at} act={act} acting={acting} />}
      {block.state !== 'BEGUN' && (
        <Group gap="sm" align="flex-end">
          <MoveTo board={board} at={at} mine={mine} act={act} acting={acting} />
          <Button
            variant="default"
            loading={acting}
            onClick={() =>
              block.state === 'PINNED'
                ? act({ act: 'release', body: mine })
                : act({ act: 'pin', body: { ...mine, person: at.person, day: at.day } })
            }
          >
            {t(block.state === 'PINNED' ? 'days.release' : 'days.pin')}
          </Button>
          {block.pieces > 1 && <Split pieces={block.pieces} mine={mine} act={act} acting={acting} />}
          {next && (
            <Button
              variant="default"
              loading={acting}
              onClick={() => act({ act: 'merge', body: { ...mine, with: next.parcels } })}
            >
              {t('days.merge')}
            </Button>
          )}
        </Group>
      )}
      {block.toCut > 0 && <Take block={block} mine={mine} act={act} acting={acting} />}
    </Stack>
  );
}

type Mine = { plan: number; parcels: number[] };

interface ActProps {
  mine: Mine;
  act: Props['act'];
  acting: boolean;
}

function MoveTo({ board, at, mine, act, acting }: ActProps & { board: Board; at: Stands }) {
  const { t } = useTranslation();
  const [person, setPerson] = useState(String(at.person));
  const [day, setDay] = useState(at.day);
  return (
    <Group gap="xs" align="flex-end" wrap="nowrap">
      <NativeSelect
        label={t('days.to')}
        value={person}
        onChange={(e) => setPerson(e.currentTarget.value)}
        data={board.makers.map((m) => ({ value: String(m.person), label: m.name || t('days.gone') }))}
      />
      <NativeSelect
        label={t('days.on')}
        value={day}
        onChange={(e) => setDay(e.currentTarget.value)}
        data={board.days.map((d) => ({ value: d, label: formatDay(d) }))}
      />
      <Button
        variant="default"
        loading={acting}
        disabled={person === String(at.person) && day === at.day}
        onClick={() => act({ act: 'move', body: { ...mine, person: Number(person), day } })}
      >
        {t('days.move')}
      </Button>
    </Group>
  );
}

function Split({ pieces, mine, act, acting }: ActProps & { pieces: number }) {
  const { t } = useTranslation();
  const [count, setCount] = useState<number | string>(Math.floor(pieces / 2));
  return (
    <Group gap="xs" align="flex-end" wrap="nowrap">
      <NumberInput
        w={110}
        label={t('days.splitAt')}
        value={count}
        onChange={setCount}
        min={1}
        max={pieces - 1}
        allowDecimal={false}
      />
      <Button
        variant="default"
        loading={acting}
        onClick={() => act({ act: 'split', body: { ...mine, count: Number(count) || 0 } })}
      >
        {t('days.split')}
      </Button>
    </Group>
  );
}

/** What is open of it becomes a batch that is cut together; what is in one has its cuts planned. */
function Take({ block, mine, act, acting }: ActProps & { block: Block }) {
  const { t } = useTranslation();
  const propose = usePropose();
  const { batch } = block;
  return (
    <Group gap="sm">
      {batch === undefined ? (
        <Button loading={acting} onClick={() => act({ act: 'take', body: mine })}>
          {t('days.take', { count: block.toCut })}
        </Button>
      ) : (
        <>
          <Button component={Link} to="/cut" variant="default">
            {t('make.toCut')}
          </Button>
          <Button loading={propose.isPending} onClick={() => propose.mutate([batch])}>
            {t('plan.planCuts')}
          </Button>
        </>
      )}
      <ProblemNote error={propose.error} />
    </Group>
  );
}

function Reason({ plan, at, act, acting }: { plan: Head; at: Stands; act: Props['act']; acting: boolean }) {
  const { t } = useTranslation();
  const reason = useQuery(reasonQuery(plan.id, at.block.parcels));
  return (
    <Await query={reason}>
      {(why) => (
        <Stack gap={4} aria-label={t('days.why')} component="section">
          <Text size="sm">
            {t('days.why.setUp', {
              paid: inMinutes(t, why.setUpSeconds),
              whole: inMinutes(t, why.fromNothingSeconds),
            })}{' '}
            {why.daysInHand === undefined
              ? t('days.why.noDay')
              : t(why.daysInHand < 0 ? 'days.why.late' : 'days.why.hand', {
                  count: Math.abs(why.daysInHand),
                })}
          </Text>
          {why.elsewhere ? (
            <Elsewhere
              to={why.elsewhere}
              mine={{ plan: plan.id, parcels: at.block.parcels }}
              act={act}
              acting={acting}
            />
          ) : (
            <Text size="sm">{t('days.why.nowhere')}</Text>
          )}
        </Stack>
      )}
    </Await>
  );
}

function Elsewhere({ to, mine, act, acting }: ActProps & { to: Schemas['ElsewhereView'] }) {
  const { t } = useTranslation();
  const figures =
    to.lateDays === 0 && to.lateOrders === 0 && Math.abs(to.effortSeconds) < HALF_A_MINUTE
      ? t('days.why.same')
      : to.lateDays !== 0
        ? t(to.lateDays > 0 ? 'days.why.moreDays' : 'days.why.lessDays', { count: Math.abs(to.lateDays) })
        : to.lateOrders !== 0
          ? t(to.lateOrders > 0 ? 'days.why.moreOrders' : 'days.why.lessOrders', {
              count: Math.abs(to.lateOrders),
            })
          : t(to.effortSeconds >= 0 ? 'days.why.more' : 'days.why.less', {
              time: inMinutes(t, Math.abs(to.effortSeconds)),
            });
  return (
    <Group gap="sm">
      <Text size="sm">{t('days.why.elsewhere', { name: to.name, figures })}</Text>
      <Button
        size="compact-sm"
        variant="subtle"
        loading={acting}
        onClick={() => act({ act: 'move', body: { ...mine, person: to.person, before: to.before } })}
      >
        {t('days.why.move')}
      </Button>
    </Group>
  );
}
