import { Button, Group, Stack, Text } from '@mantine/core';
import { queryOptions, useMutation, useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { api, ask, type Schemas } from '../api/client';
import { goFirst, mustBeInTime, stayLonger, WORKPLAN } from './days';
import { formatDay } from './format';
import { Await } from './Page';
import { ProblemNote } from './ProblemNote';
import { useSession } from './session';
import { useRefreshWork } from './work';

const rescueQuery = (order: number) =>
  queryOptions({
    queryKey: [...WORKPLAN, 'rescue', order],
    queryFn: () => ask(api.GET('/api/workplan/orders/{id}/rescue', { params: { path: { id: order } } })),
  });

function useRescue() {
  const refresh = useRefreshWork();
  return useMutation({ mutationFn: (act: () => Promise<unknown>) => act(), onSettled: refresh });
}

/** What would bring an order in time, each as an act. */
export function Rescue({ order }: { order: Schemas['TroubledOrderView'] }) {
  const { t } = useTranslation();
  const owner = useSession().data?.role === 'OWNER';
  const rescue = useQuery(rescueQuery(order.order));
  const doing = useRescue();
  return (
    <Stack px="sm" pb="sm" gap="xs">
      <Await query={rescue}>
        {({ plan, noMinutesHelp, overtime, goesFirst, lateDays }) => (
          <>
            {noMinutesHelp && <Text size="sm">{t('days.help.noMinutes')}</Text>}
            {!noMinutesHelp && lateDays === 0 && <Text size="sm">{t('days.help.inTime')}</Text>}
            {overtime.length > 0 && (
              <Group gap="sm">
                <Text size="sm">
                  {t('days.help.longer', {
                    who: overtime
                      .map((o) =>
                        t('days.help.longer.who', {
                          name: o.name,
                          minutes: o.minutes,
                          day: formatDay(o.day),
                        }),
                      )
                      .join(', '),
                  })}
                </Text>
                {owner && (
                  <Button
                    size="compact-sm"
                    variant="subtle"
                    loading={doing.isPending}
                    onClick={() =>
                      doing.mutate(() =>
                        Promise.all(
                          overtime.map(({ person, day, minutes }) => stayLonger(person, { day, minutes })),
                        ),
                      )
                    }
                  >
                    {t('days.help.longer.do', { count: overtime.length })}
                  </Button>
                )}
              </Group>
            )}
            {goesFirst && (
              <Group gap="sm">
                <Text size="sm">
                  {goesFirst.later.length === 0
                    ? t('days.help.first.free')
                    : t('days.help.first', {
                        orders: goesFirst.later.join(', '),
                        more: goesFirst.more > 0 ? ` +${goesFirst.more}` : '',
                      })}
                </Text>
                {owner && (
                  <Button
                    size="compact-sm"
                    variant="subtle"
                    loading={doing.isPending}
                    onClick={() => doing.mutate(() => goFirst(order.order, { plan }))}
                  >
                    {t('days.help.first.do')}
                  </Button>
                )}
              </Group>
            )}
            {!noMinutesHelp && lateDays > 0 && overtime.length === 0 && !goesFirst && (
              <Text size="sm">{t('days.help.nothing')}</Text>
            )}
            {!order.must && (
              <Group gap="sm">
                <Text size="sm">{t('days.help.must')}</Text>
                <Button
                  size="compact-sm"
                  variant="subtle"
                  loading={doing.isPending}
                  onClick={() => doing.mutate(() => mustBeInTime(order.order, { must: true }))}
                >
                  {t('days.help.must.do')}
                </Button>
              </Group>
            )}
          </>
        )}
      </Await>
      <ProblemNote error={doing.error} />
    </Stack>
  );
}
