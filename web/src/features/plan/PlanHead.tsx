import { Button, Group, Progress, Stack, Text } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import type { TFunction } from 'i18next';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { formatDay, formatTime } from '../../shared/format';
import { ProblemNote } from '../../shared/ProblemNote';
import { inMinutes } from '../../shared/risk';
import { type Board, diffQuery, type Head, type PlanAct, usePlanDays, useStopPlanning } from './board';
import { happened } from './words';

const WHOLE = 100;

interface Props {
  board: Board;
  owner: boolean;
  act: (one: PlanAct) => void;
  acting: boolean;
}

/** What the plan is worth, how it came about, and what can be done with all of it. */
export function PlanHead({ board, owner, act, acting }: Props) {
  const { t } = useTranslation();
  const make = usePlanDays();
  const stop = useStopPlanning();
  const plan = board.plan;
  const growing = board.whoPlans !== undefined;
  return (
    <Stack className="panel" p="sm" gap="xs" component="section" aria-label={t('days.thePlan')}>
      <Group justify="space-between" gap="sm" align="flex-start">
        <Stack gap={2} flex={1} miw={300}>
          {plan ? <Worth plan={plan} /> : <Text>{t('days.none')}</Text>}
        </Stack>
        <Group gap="xs">
          {plan?.canGoBack && (
            <Button
              variant="default"
              disabled={acting || growing}
              onClick={() => act({ act: 'back', body: { plan: plan.id } })}
            >
              {t('days.back')}
            </Button>
          )}
          {owner && !growing && (
            <>
              {plan && (
                <Button variant="default" loading={make.isPending} onClick={() => make.mutate(true)}>
                  {t('days.better')}
                </Button>
              )}
              <Button
                variant={plan ? 'default' : 'filled'}
                loading={make.isPending}
                onClick={() => make.mutate(false)}
              >
                {t(plan ? 'days.anew' : 'days.make')}
              </Button>
            </>
          )}
          {owner && growing && (
            <Button color="coral" loading={stop.isPending} onClick={() => stop.mutate()}>
              {t('days.stop')}
            </Button>
          )}
          {owner && plan && !plan.published && !growing && (
            <Button loading={acting} onClick={() => act({ act: 'publish', body: { plan: plan.id } })}>
              {t('days.publish')}
            </Button>
          )}
        </Group>
      </Group>
      {growing && (
        <Stack gap={4} aria-live="polite">
          <Text size="sm">{t('days.growing', { name: board.whoPlans })}</Text>
          <Progress
            value={WHOLE * (board.share ?? 0)}
            aria-label={t('days.growing', { name: board.whoPlans })}
          />
        </Stack>
      )}
      {plan && !plan.published && !growing && <Diff plan={plan} />}
      <ProblemNote error={make.error ?? stop.error} />
    </Stack>
  );
}

/** What no plan can better, and how much that says. */
function leastWords(t: TFunction, plan: Head): string {
  const least = plan.leastLateDays ?? 0;
  return [
    t('days.least', { time: inMinutes(t, plan.leastSetUpSeconds) }),
    least > 0 && least < plan.lateDays ? t('days.least.late', { count: least }) : '',
    plan.lateDays > 0 && plan.leastLateDays === plan.lateDays ? t('days.least.proven') : '',
    t('days.least.floor'),
  ]
    .filter((words) => words !== '')
    .join(' ');
}

function Worth({ plan }: { plan: Head }) {
  const { t } = useTranslation();
  const about = happened(t, plan.about);
  return (
    <>
      <Text fw={600}>
        {plan.lateOrders === 0
          ? t('days.nothingLate')
          : `${t('days.lateOrders', { count: plan.lateOrders })}, ${t('days.lateDays', { count: plan.lateDays })}`}{' '}
        · {t('days.setUps', { time: inMinutes(t, plan.setUpSeconds) })}
      </Text>
      <Text size="sm" c="dimmed">
        {leastWords(t, plan)}
        {plan.cutOff ? ` ${t('days.cutOff')}` : ''}
      </Text>
      <Text size="sm">
        {t(`days.act.${plan.act}`, { when: formatTime(plan.madeAt), name: plan.madeBy })}
        {about.length > 0 ? ` ${about.join('; ')}.` : ''}
      </Text>
    </>
  );
}

/** What is otherwise than in the plan that people have seen. */
function Diff({ plan }: { plan: Head }) {
  const { t } = useTranslation();
  const diff = useQuery(diffQuery(plan.id));
  const [open, setOpen] = useState(false);
  if (!diff.data) return null;
  const { pieces, otherMaker, later, moreLater, sooner, moreSooner } = diff.data;
  const moved = later.length + sooner.length;
  return (
    <Stack gap={4}>
      <Group gap="xs">
        <Text size="sm">
          {t(diff.data.first ? 'days.unseen' : 'days.unpublished')}{' '}
          {pieces === 0
            ? ''
            : t('days.diff', {
                count: pieces,
                other: otherMaker,
                later: t('days.later', { count: later.length + moreLater }),
                sooner: t('days.sooner', { count: sooner.length + moreSooner }),
              })}
        </Text>
        {moved > 0 && (
          <Button size="compact-sm" variant="subtle" onClick={() => setOpen(!open)} aria-expanded={open}>
            {t(open ? 'days.diff.hide' : 'days.diff.show')}
          </Button>
        )}
      </Group>
      {open && <Moved rows={[...later, ...sooner]} />}
    </Stack>
  );
}

function Moved({ rows }: { rows: Schemas['MovedOrderView'][] }) {
  const { t } = useTranslation();
  return (
    <ul style={{ margin: 0, paddingLeft: 18 }}>
      {rows.map((row) => (
        <li key={row.order}>
          <Text size="sm">
            {row.reference} {row.customer}:{' '}
            {t(row.after > row.before ? 'days.moved.later' : 'days.moved.sooner', {
              before: formatDay(row.before),
              after: formatDay(row.after),
            })}
          </Text>
        </li>
      ))}
    </ul>
  );
}
