import { Group, Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { formatDay } from '../format';
import { Verdict } from '../Verdict';

/** The sum behind it, in words. */
const because = (promise: Schemas['PromiseView']) =>
  promise.planned
    ? 'promise.plan.because'
    : promise.due === undefined
      ? 'promise.because'
      : 'promise.becauseDue';

/** The day it can be ready, against the day it is wanted, with the minutes behind it. */
export function PromiseLine({ promise }: { promise: Schemas['PromiseView'] }) {
  const { t } = useTranslation();
  const day = (d: string | undefined) => (d ? formatDay(d) : t('promise.never'));
  const words = promise.planned ? `plan.${promise.verdict}` : promise.inTurn ? promise.verdict : 'NEVER';
  return (
    <Group gap="xs" wrap="nowrap" align="flex-start">
      {promise.due !== undefined || words === 'NEVER' ? <Verdict word={promise.verdict} /> : null}
      <div>
        <Text size="sm" fw={600}>
          {t(`promise.${words}`, {
            last: day(promise.last),
            inTurn: day(promise.inTurn),
            due: day(promise.due),
          })}
        </Text>
        <Text size="xs" c="dimmed">
          {t(because(promise), {
            work: promise.workMinutes,
            ahead: promise.aheadMinutes,
            before: promise.dueBeforeMinutes,
            week: promise.minutesPerWeek,
          })}
          {promise.dryingDays > 0 && ` ${t('promise.drying', { count: promise.dryingDays })}`}
        </Text>
      </div>
    </Group>
  );
}
