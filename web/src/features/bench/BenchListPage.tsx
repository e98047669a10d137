import { Button, Group, Stack, Text, Title } from '@mantine/core';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate } from 'react-router';
import type { Schemas } from '../../api/client';
import { plannedQuery } from '../../shared/days';
import { formatDay } from '../../shared/format';
import { More } from '../../shared/More';
import { Await, Empty, Page } from '../../shared/Page';
import { PieceChip } from '../../shared/PiecePicture';
import { ProblemNote } from '../../shared/ProblemNote';
import { sessionQuery } from '../../shared/session';
import classes from './Card.module.css';
import { Planned } from './Planned';
import { inWorkQuery, useTake, waitingAtBenchQuery } from './queries';
import { spoken } from './words';

/** Today and the next days that hold something. */
const PLANNED_DAYS = 5;

/** What is in work, one's own first, and what is cut and waits, by the day it is wanted. */
export default function BenchListPage() {
  const { t } = useTranslation();
  const inWork = useInfiniteQuery(inWorkQuery);
  const waiting = useInfiniteQuery(waitingAtBenchQuery);
  const planned = useQuery(plannedQuery(PLANNED_DAYS));
  const who = useQuery(sessionQuery).data?.name ?? '';
  return (
    <Page
      title={t('make.title')}
      actions={
        <Button component={Link} to="/bench/tales" variant="default">
          {t('make.tales.title')}
        </Button>
      }
    >
      <Await query={inWork}>
        {(work) => (
          <Await query={planned}>
            {(plan) => (
              <Await query={waiting}>
                {(cut) => {
                  const begun = work.pages.flatMap((p) => p.rows);
                  const rows = cut.pages.flatMap((p) => p.rows);
                  return begun.length + rows.length === 0 ? (
                    <Empty words={t('make.nothing')}>
                      <Button component={Link} to="/cut">
                        {t('make.toCut')}
                      </Button>
                    </Empty>
                  ) : (
                    <>
                      {begun.length > 0 && (
                        <Stack component="section" gap="xs">
                          <Title order={2} size="h4">
                            {t('make.inWork')}
                          </Title>
                          <InWork rows={begun} who={who} />
                          <More query={inWork} />
                        </Stack>
                      )}
                      <Planned board={plan} who={who} />
                      <Stack component="section" gap="xs">
                        <Title order={2} size="h4">
                          {t('make.waiting')}
                        </Title>
                        {rows.length > 0 ? <Waiting rows={rows} /> : <Text>{t('make.noneWaiting')}</Text>}
                        <More query={waiting} />
                      </Stack>
                    </>
                  );
                }}
              </Await>
            )}
          </Await>
        )}
      </Await>
    </Page>
  );
}

function InWork({ rows, who }: { rows: Schemas['InWorkRow'][]; who: string }) {
  const { t } = useTranslation();
  return (
    <ul className={`panel ${classes.rows}`}>
      {rows.map((row) => (
        <li key={row.piece} className={classes.row}>
          <PieceChip lineId={row.line} />
          <div>
            <Text fw={650}>{t('make.numbered', { pattern: row.patternName, number: row.number })}</Text>
            <Text size="sm" c="dimmed">
              {row.reference} · {row.customer}
            </Text>
          </div>
          <Text>
            {row.steps > 0 ? t('make.at', { step: Math.min(row.next + 1, row.steps), of: row.steps }) : ''}
            {row.heldUp && (
              <Text span fw={650}>
                {' '}
                · {t('make.held')}
              </Text>
            )}
          </Text>
          <Text size="sm">
            {row.inHandOf === '' ? t('make.nobody') : row.inHandOf === who ? t('make.mine') : row.inHandOf} ·{' '}
            {row.due ? formatDay(row.due) : t('make.noDay')}
          </Text>
          <Button
            component={Link}
            to={`/bench/${row.piece}`}
            size="md"
            mih={48}
            variant={row.inHandOf === who ? 'filled' : 'default'}
          >
            {t(row.inHandOf === who ? 'make.goOn' : 'make.look')}
          </Button>
        </li>
      ))}
    </ul>
  );
}

function Waiting({ rows }: { rows: Schemas['WaitingRow'][] }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const take = useTake();
  const go = (pieces: number[]) =>
    take.mutate(
      { pieces, over: false },
      { onSuccess: () => navigate(`/bench/${pieces[0]}${pieces.length > 1 ? '?by=step' : ''}`) },
    );
  return (
    <Stack gap="xs">
      <ProblemNote error={take.error} />
      <ul className={`panel ${classes.rows}`}>
        {rows.map((row) => (
          <li key={row.line} className={classes.row}>
            <PieceChip lineId={row.line} />
            <div>
              <Text fw={650}>
                {row.patternName}
                {row.kit ? ` · ${t('make.kit')}` : ''}
              </Text>
              <Text size="sm" c="dimmed">
                {row.reference} · {row.customer}
              </Text>
            </div>
            <Text>
              {t('make.pieces', { count: row.count })} · {t('make.each', { time: spoken(row.seconds) })}
            </Text>
            <Text size="sm">{row.due ? t('make.due', { day: formatDay(row.due) }) : t('make.noDay')}</Text>
            <Group gap="xs" wrap="nowrap">
              <Button size="md" mih={48} disabled={take.isPending} onClick={() => go(row.pieces.slice(0, 1))}>
                {t('make.take', { count: row.count })}
              </Button>
              {row.count > 1 && (
                <Button
                  size="md"
                  mih={48}
                  variant="default"
                  disabled={take.isPending}
                  onClick={() => go(row.pieces)}
                >
                  {t('make.takeAll', { count: row.pieces.length })}
                </Button>
              )}
            </Group>
          </li>
        ))}
      </ul>
    </Stack>
  );
}
