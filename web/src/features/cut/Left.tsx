import { Alert, Button, Stack } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { ProblemNote } from '../../shared/ProblemNote';
import { useConfirm, usePlanRest } from './queries';

/** What of the list no spool serves any more, and what to do about it. */
export function Left({ list }: { list: Schemas['CutListView'] }) {
  const { t } = useTranslation();
  const rest = usePlanRest(list.id);
  const confirm = useConfirm();
  return (
    <>
      {list.unplanned > 0 && (
        <Alert color="straw" variant="outline" title={t('cut.unplanned', { count: list.unplanned })}>
          <Button loading={rest.isPending} onClick={() => rest.mutate()}>
            {t('cut.planRest')}
          </Button>
        </Alert>
      )}
      {list.lacking > 0 && (
        <Alert color="straw" variant="outline" title={t('cut.lacking', { count: list.lacking })}>
          <Stack gap="xs" align="flex-start">
            {t('cut.lackingThen')}
            <Button loading={confirm.isPending} onClick={() => confirm.mutate(list.id)}>
              {t('cut.pickAgain')}
            </Button>
          </Stack>
        </Alert>
      )}
      <ProblemNote error={rest.error ?? confirm.error} />
    </>
  );
}
