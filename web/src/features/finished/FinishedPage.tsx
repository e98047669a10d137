import { Anchor, Button, Stack, Text, TextInput } from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { Money } from '../../shared/Figures';
import { formatDay } from '../../shared/format';
import { More } from '../../shared/More';
import { Await, Empty, Page } from '../../shared/Page';
import { PieceChip } from '../../shared/PiecePicture';
import classes from './Finished.module.css';
import { NextAct } from './NextAct';
import { finishedQuery } from './queries';
import { standWords } from './words';

type Row = Schemas['FinishedRow'];

/** Orders of which something is made and lies here, what must leave first at the top. */
export default function FinishedPage() {
  const { t } = useTranslation();
  const [params, setParams] = useSearchParams();
  const query = params.get('query') ?? '';
  const [asked] = useDebouncedValue(query, 200);
  const finished = useInfiniteQuery(finishedQuery(asked));
  return (
    <Page
      title={t('nav.finished')}
      actions={
        <Button component={Link} to="/finished/shelf" variant="default">
          {t('shelf.title')}
        </Button>
      }
    >
      <TextInput
        maw={360}
        label={t('finished.find')}
        value={query}
        onChange={(e) =>
          setParams(e.currentTarget.value === '' ? {} : { query: e.currentTarget.value }, { replace: true })
        }
      />
      <Await query={finished}>
        {(all) => {
          const rows = all.pages.flatMap((p) => p.rows);
          return rows.length === 0 ? (
            <Empty words={t(asked === '' ? 'finished.nothing' : 'finished.noneFound')}>
              <Button component={Link} to="/bench">
                {t('finished.toBench')}
              </Button>
            </Empty>
          ) : (
            <Stack gap="xs">
              <ul className={`panel ${classes.rows}`}>
                {rows.map((row) => (
                  <FinishedRow key={row.order} row={row} />
                ))}
              </ul>
              <More query={finished} />
            </Stack>
          );
        }}
      </Await>
    </Page>
  );
}

function FinishedRow({ row }: { row: Row }) {
  const { t } = useTranslation();
  return (
    <li className={classes.row}>
      <PieceChip lineId={row.line} />
      <div>
        <Anchor component={Link} to={`/finished/${row.order}`} fw={650}>
          {row.reference} · {row.customer || t('customers.nameless')}
        </Anchor>
        <Text size="sm" c="dimmed">
          {row.patternName}
        </Text>
      </div>
      <div>
        <Text size="sm">{standWords(t, row.onward)}</Text>
        {row.set && <Text size="sm">{t(`finished.set.${row.set}`)}</Text>}
      </div>
      <div>
        <Text size="sm" fw={row.late ? 650 : undefined}>
          {row.due
            ? t(row.late ? 'finished.wasToLeave' : 'finished.leaves', { day: formatDay(row.due) })
            : t('finished.anyDay')}
        </Text>
        {row.open !== undefined && (
          <Text size="sm" c="dimmed">
            {row.open > 0 ? (
              <>
                {t('finished.open')} <Money value={row.open} />
              </>
            ) : (
              t('finished.paid')
            )}
          </Text>
        )}
      </div>
      <NextAct order={row.order} onward={row.onward} />
    </li>
  );
}
