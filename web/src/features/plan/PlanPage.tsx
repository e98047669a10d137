import { Button, Group, SegmentedControl, Stack, Text } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { useSearchParams } from 'react-router';
import { planRulesQuery, useKeepPlanRules } from '../../shared/days';
import { Await, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { useSession } from '../../shared/session';
import { BoardView } from './BoardView';
import { ByHand } from './ByHand';
import { boardQuery, unplannedQuery, usePlanDays } from './board';
import { MyDays } from './MyDays';
import { SmallHouse } from './SmallHouse';

const NARROW = '(max-width: 700px)';
const WEEK = 7;
const PHONE_DAYS = 10;

/** The plan of days where the house plans; what is open, by set-up, always. */
export default function PlanPage() {
  const { t } = useTranslation();
  const [address, setAddress] = useSearchParams();
  const narrow = useMediaQuery(NARROW, undefined, { getInitialValueInEffect: false });
  const order = address.get('order') ?? '';
  const byHand = order !== '' || address.get('view') === 'hand';
  const board = useQuery(boardQuery(address.get('from') ?? undefined, narrow ? PHONE_DAYS : WEEK));
  // Together with the board, so that it does not push that aside when it comes.
  const unplanned = useQuery({
    ...unplannedQuery(board.data?.plan?.id),
    enabled: board.data?.planning === true,
  });
  const show = (view: string) => setAddress(view === 'hand' ? { view } : {});
  return (
    <Page
      title={t('nav.plan')}
      actions={
        order ? (
          <Button variant="default" onClick={() => setAddress({})}>
            {t('plan.allOpen')}
          </Button>
        ) : (
          board.data?.planning && (
            <SegmentedControl
              aria-label={t('days.view')}
              value={byHand ? 'hand' : 'days'}
              onChange={show}
              data={[
                { value: 'days', label: t('days.view.days') },
                { value: 'hand', label: t('days.view.hand') },
              ]}
            />
          )
        )
      }
    >
      {order ? (
        <ByHand order={order} />
      ) : (
        <Await query={board}>
          {(b) =>
            !b.planning ? (
              <Stack gap="md">
                <SmallHouse board={b} />
                <WantPlanning />
                <ByHand order="" />
              </Stack>
            ) : byHand ? (
              <ByHand order="" />
            ) : narrow ? (
              <MyDays board={b} />
            ) : (
              <>
                <Await query={unplanned}>
                  {({ setUps }) => (
                    <BoardView board={b} from={address.get('from') ?? undefined} unplanned={setUps} />
                  )}
                </Await>
                {!b.plan && <ByHand order="" />}
              </>
            )
          }
        </Await>
      )}
    </Page>
  );
}

/** Planning is off until somebody wants it. */
function WantPlanning() {
  const { t } = useTranslation();
  const { data: session } = useSession();
  const rules = useQuery(planRulesQuery);
  const keep = useKeepPlanRules();
  const plan = usePlanDays();
  if (session?.role !== 'OWNER' || !rules.data) return null;
  const begin = async () => {
    const kept = await keep
      .mutateAsync({ ...rules.data, planning: true })
      .then(() => true)
      .catch(() => false);
    if (kept) plan.mutate(false);
  };
  return (
    <Group className="panel" p="sm" justify="space-between" gap="sm">
      <Text size="sm" flex={1} miw={260}>
        {t('days.want')}
      </Text>
      <Button variant="default" loading={keep.isPending || plan.isPending} onClick={begin}>
        {t('days.want.do')}
      </Button>
      <ProblemNote error={keep.error ?? plan.error} />
    </Group>
  );
}
