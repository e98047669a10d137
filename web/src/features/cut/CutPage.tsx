import { Alert, Button, Checkbox, Group, Loader, Select, Stack, Text } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useParams } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { AnewNote } from '../../shared/AnewNote';
import { plannedQuery } from '../../shared/days';
import { Money } from '../../shared/Figures';
import { formatDay, formatLength, formatTime } from '../../shared/format';
import { More } from '../../shared/More';
import { Await, Empty, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { usePropose } from '../../shared/work';
import { AsPlanned } from './AsPlanned';
import { Left } from './Left';
import { useProgress } from './progress';
import { cutListQuery, cuttableQuery, useConfirm, usePlanRest, useStop } from './queries';
import { Wishes } from './SpoolMenu';
import { SpoolPanel } from './SpoolPanel';
import { TagsMenu } from './TagsMenu';
import { Trimmings } from './Trimmings';
import { Weights } from './Weights';

/** Today, tomorrow and the day after: who cuts further ahead cuts by batch. */
const PLANNED_DAYS = 3;
/** While a better plan is looked for. */
const BETTERING_MS = 500;

/** Choose a batch; then its cuts, spool by spool. A list is shown at once, whatever batches there are besides. */
export default function CutPage() {
  const { t } = useTranslation();
  const listId = Number(useParams().list);
  const batches = useInfiniteQuery(cuttableQuery);
  const planned = useQuery({ ...plannedQuery(PLANNED_DAYS), enabled: !listId });
  const known = batches.data?.pages.flatMap((page) => page.rows);
  if (listId) return <CutListView id={listId} batches={known ?? []} />;
  return (
    <Await query={batches}>
      {() => (
        <Await query={planned}>
          {(board) =>
            known?.length ? (
              <Choose batches={known} more={<More query={batches} />} board={board} />
            ) : (
              <Page title={t('nav.cut')}>
                <AsPlanned board={board} />
                <Empty words={t('cut.noBatch')}>
                  <Button component={Link} to="/plan">
                    {t('cut.toPlan')}
                  </Button>
                </Empty>
              </Page>
            )
          }
        </Await>
      )}
    </Await>
  );
}

interface ChooseProps {
  batches: Schemas['CuttableBatch'][];
  more: ReactNode;
  board: Schemas['WorkBoardView'];
}

function Choose({ batches, more, board }: ChooseProps) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const propose = usePropose();
  const [chosen, setChosen] = useState<number[]>([]);
  const free = batches.filter((b) => b.cut < b.pieces && !b.begun);
  const days = [...new Set(free.flatMap((b) => b.due ?? []))].sort();
  const plan = (which: number[]) =>
    propose.mutate(which, { onSuccess: (made) => navigate(`/cut/${made.id}`) });
  return (
    <Page
      title={t('nav.cut')}
      actions={
        <>
          <Button variant="default" component={Link} to="/cut/waste">
            {t('waste.title')}
          </Button>
          {free.length > 1 && (
            <>
              {days.length > 0 && (
                <Select
                  w={210}
                  aria-label={t('cut.dueUntil')}
                  placeholder={t('cut.dueUntil')}
                  data={days.map((day) => ({ value: day, label: t('cut.until', { day: formatDay(day) }) }))}
                  value={null}
                  onChange={(day) =>
                    day && setChosen(free.filter((b) => b.due && b.due <= day).map((b) => b.id))
                  }
                />
              )}
              <Button
                disabled={chosen.length === 0}
                loading={propose.isPending && chosen.length > 0}
                onClick={() => plan(chosen)}
              >
                {t('cut.planChosen', { count: chosen.length })}
              </Button>
            </>
          )}
        </>
      }
    >
      <ProblemNote error={propose.error} />
      <AnewNote />
      <AsPlanned board={board} />
      <Stack gap="xs">
        {batches.map((b) => {
          const list = b.openList ?? (b.cut === b.pieces ? b.lastList : undefined);
          const state = b.begun ? 'cut.benchOn' : b.openList ? 'plan.openCuts' : 'cut.look';
          return (
            <Group key={b.id} className="panel" p="sm" justify="space-between">
              <Group gap="sm" wrap="nowrap">
                {free.length > 1 && (
                  <Checkbox
                    size="md"
                    aria-label={t('cut.chooseBatch', { batch: b.name })}
                    disabled={!free.includes(b)}
                    checked={chosen.includes(b.id)}
                    onChange={(e) =>
                      setChosen(
                        e.currentTarget.checked ? [...chosen, b.id] : chosen.filter((id) => id !== b.id),
                      )
                    }
                  />
                )}
                <div>
                  <Text fw={650}>{b.name}</Text>
                  <Text size="sm" c="dimmed">
                    {t('plan.cutOf', { cut: b.cut, count: b.pieces })}
                    {b.due && ` · ${t('cut.due', { day: formatDay(b.due) })}`}
                  </Text>
                </div>
              </Group>
              {list ? (
                <Button component={Link} to={`/cut/${list}`} variant={b.openList ? 'filled' : 'default'}>
                  {t(state)}
                </Button>
              ) : (
                <Button
                  variant={chosen.length > 0 ? 'default' : 'filled'}
                  loading={propose.isPending && propose.variables?.[0] === b.id && chosen.length === 0}
                  onClick={() => {
                    setChosen([]);
                    plan([b.id]);
                  }}
                >
                  {t('plan.planCuts')}
                </Button>
              )}
            </Group>
          );
        })}
      </Stack>
      {more}
      <Weights />
    </Page>
  );
}

function CutListView({ id, batches }: { id: number; batches: Schemas['CuttableBatch'][] }) {
  const list = useQuery(cutListQuery(id));
  useProgress(id, list.data?.bettering ? BETTERING_MS : false);
  return <Await query={list}>{(l) => <CutListSheet key={l.id} list={l} batches={batches} />}</Await>;
}

interface SheetProps {
  list: Schemas['CutListView'];
  batches: Schemas['CuttableBatch'][];
}

function CutListSheet({ list, batches }: SheetProps) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const navigate = useNavigate();
  const confirm = useConfirm();
  const rest = usePlanRest(list.id);
  const stop = useStop(list.id);
  const stale = confirm.error instanceof ProblemError && confirm.error.problem.code === 'stockChanged';
  const longest = Math.max(1, ...list.spools.map((s) => s.lengthUm));
  const open = !list.confirmedAt;
  return (
    <Page
      title={t('cut.title', { batch: list.name })}
      actions={
        <>
          <Select
            w={190}
            aria-label={t('cut.choose')}
            allowDeselect={false}
            data={[...new Map([...list.batches, ...batches].map((b) => [b.id, b.name]))].map(
              ([id, name]) => ({
                value: String(id),
                label: name,
              }),
            )}
            value={String(list.batches[0]?.id)}
            onChange={(value) => {
              const batch = batches.find((b) => String(b.id) === value);
              const target = batch?.openList ?? batch?.lastList;
              navigate(target ? `/cut/${target}` : '/cut');
            }}
          />
          <Button variant="default" component="a" href={`/api/cut/lists/${list.id}/sheet.csv`} download>
            {t('exportCsv')}
          </Button>
          <Button
            variant="default"
            component="a"
            href={`/api/cut/lists/${list.id}/sheet.pdf`}
            target="_blank"
          >
            {t('cut.pdf')}
          </Button>
          <Button variant="default" onClick={() => window.print()}>
            {t('print')}
          </Button>
          <TagsMenu list={list.id} />
          {open && list.spools.length > 0 && (
            <Button component={Link} to={`/cut/${list.id}/bench`}>
              {t(list.done > 0 ? 'cut.benchOn' : 'cut.bench')}
            </Button>
          )}
          {open && (
            <Button
              variant="default"
              loading={confirm.isPending}
              disabled={list.spools.length === 0}
              onClick={() =>
                confirm.mutate(list.id, {
                  onSuccess: () =>
                    notifications.show({ message: t('cut.done', { count: list.pieces }), color: 'board' }),
                })
              }
            >
              {t('cut.confirm', { count: list.pieces })}
            </Button>
          )}
        </>
      }
    >
      <ProblemNote error={confirm.error ?? rest.error ?? stop.error} />
      {stale && (
        <Button onClick={() => rest.mutate(undefined, { onSuccess: confirm.reset })} loading={rest.isPending}>
          {t('cut.planRest')}
        </Button>
      )}
      {list.bettering && (
        <Group gap="sm" role="status">
          <Loader size="sm" />
          <Text size="sm">{t('cut.bettering')}</Text>
          <Button variant="default" size="compact-sm" onClick={() => stop.mutate()}>
            {t('cut.stop')}
          </Button>
        </Group>
      )}
      {list.done > 0 && open && (
        <Text size="sm" fw={600}>
          {t('cut.soFar', { done: list.done, strands: list.strands })}
        </Text>
      )}
      <Left list={list} />
      <Text>
        {t('cut.summary', {
          pieces: t('cut.pieces', { count: list.pieces }),
          strands: t('cut.strands', { count: list.strands }),
          spools: t('cut.spools', { count: list.spools.length }),
          cut: formatLength(list.cutUm, units, 'stock'),
          scrap: formatLength(list.scrapUm, units, 'stock'),
          percent: list.scrapPercent,
        })}
      </Text>
      <Stack gap={4}>
        {list.quality && <Quality quality={list.quality} after={list.plannedAfter} />}
        {list.opened > 0 && (
          <Text size="sm">
            {t('cut.opens', { count: list.opened })}{' '}
            {list.waitingUnopened > 0
              ? t('cut.unopened', { count: list.waitingUnopened })
              : t('cut.unopenedNone')}
          </Text>
        )}
        {list.remnantsUsed + list.remnantsLeft > 0 && (
          <Text size="sm">{t('cut.remnants', { used: list.remnantsUsed, left: list.remnantsLeft })}</Text>
        )}
        {open && <Wishes list={list} />}
      </Stack>
      {list.confirmedAt ? (
        <Alert color="board" variant="outline">
          {t('cut.confirmed', { who: list.confirmedBy, when: formatTime(list.confirmedAt) })}{' '}
          <Link to={`/costs?batch=${list.batches[0]?.id}`}>{t('cut.toCosts')}</Link>
        </Alert>
      ) : (
        <Text size="sm" c="dimmed">
          {t('cut.cautions')}
        </Text>
      )}
      {list.trimmings.length > 0 && <Trimmings list={list} />}
      {list.waiting.length > 0 && <Waiting waiting={list.waiting} open={open} />}
      {list.spools.map((spool) => (
        <SpoolPanel key={spool.holdingId} spool={spool} scaleUm={longest} list={list} open={open} />
      ))}
    </Page>
  );
}

/** How near the plan is to the best there is, by the house's weights. */
function Quality({ quality, after }: { quality: Schemas['QualityView']; after: number }) {
  const { t } = useTranslation();
  return (
    <Text size="sm">
      {after > 0 && t('cut.ofTheRest')}{' '}
      {quality.gapPercent === 0 ? t('cut.best') : t('cut.near', { percent: quality.gapPercent.toFixed(2) })}{' '}
      {t('cut.costs')} <Money value={quality.cost} />
      {quality.saved >= 0.05 && (
        <>
          , <Money value={quality.saved} /> {t('cut.saved')}
        </>
      )}
      {'. '}
      {!quality.complete && t('cut.cutShort')}
    </Text>
  );
}

function Waiting({ waiting, open }: { waiting: Schemas['WaitingPieceView'][]; open: boolean }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  return (
    <Alert
      color="straw"
      variant="outline"
      title={t('cut.waiting', { count: waiting.reduce((n, w) => n + w.pieces, 0) })}
    >
      {waiting.map((w) => (
        <div key={w.reference + w.articleCode + w.matching}>
          {t(w.matching ? 'cut.waitingForSet' : 'cut.waitingFor', {
            pieces: w.pieces,
            reference: w.reference,
            customer: w.customer,
            article: `${w.articleName} (${w.articleCode})`,
            needed: formatLength(w.neededUm, units),
            best: formatLength(w.bestUm, units),
          })}
        </div>
      ))}
      {open && t('cut.waitingThen')}
    </Alert>
  );
}
