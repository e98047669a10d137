import { Alert, Button, Group, Select, Stack, Text } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useParams } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Money } from '../../shared/Figures';
import { formatLength, formatTime } from '../../shared/format';
import { strandName } from '../../shared/names';
import { Await, Empty, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { Swatch } from '../../shared/Swatch';
import { cutListQuery, cuttableQuery, useConfirm, usePropose } from './queries';
import { SpoolPanel } from './SpoolPanel';
import { Weights } from './Weights';

/** Choose a batch; then its cuts, spool by spool. */
export default function CutPage() {
  const { t } = useTranslation();
  const listId = Number(useParams().list);
  const batches = useQuery(cuttableQuery);
  return (
    <Await query={batches}>
      {(rows) => {
        if (rows.length === 0) {
          return (
            <Page title={t('nav.cut')}>
              <Empty words={t('cut.noBatch')}>
                <Button component={Link} to="/plan">
                  {t('cut.toPlan')}
                </Button>
              </Empty>
            </Page>
          );
        }
        return listId ? <CutListView id={listId} batches={rows} /> : <Choose batches={rows} />;
      }}
    </Await>
  );
}

function Choose({ batches }: { batches: Schemas['CuttableBatch'][] }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const propose = usePropose();
  return (
    <Page title={t('nav.cut')}>
      <ProblemNote error={propose.error} />
      <Stack gap="xs">
        {batches.map((b) => {
          const list = b.openList ?? (b.cut === b.pieces ? b.lastList : undefined);
          return (
            <Group key={b.id} className="panel" p="sm" justify="space-between">
              <div>
                <Text fw={650}>{b.name}</Text>
                <Text size="sm" c="dimmed">
                  {t('plan.cutOf', { cut: b.cut, count: b.pieces })}
                </Text>
              </div>
              {list ? (
                <Button component={Link} to={`/cut/${list}`} variant={b.openList ? 'filled' : 'default'}>
                  {t(b.openList ? 'plan.openCuts' : 'cut.look')}
                </Button>
              ) : (
                <Button
                  loading={propose.isPending && propose.variables === b.id}
                  onClick={() => propose.mutate(b.id, { onSuccess: (made) => navigate(`/cut/${made.id}`) })}
                >
                  {t('plan.planCuts')}
                </Button>
              )}
            </Group>
          );
        })}
      </Stack>
      <Weights />
    </Page>
  );
}

function CutListView({ id, batches }: { id: number; batches: Schemas['CuttableBatch'][] }) {
  const list = useQuery(cutListQuery(id));
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
  const propose = usePropose();
  const again = () => propose.mutate(list.batchId, { onSuccess: (made) => navigate(`/cut/${made.id}`) });
  const stale = confirm.error instanceof ProblemError && confirm.error.problem.code === 'stockChanged';
  const longest = Math.max(1, ...list.spools.map((s) => s.lengthUm));
  const open = !list.confirmedAt;
  return (
    <Page
      title={t('cut.title', { batch: list.batchName })}
      actions={
        <>
          <Select
            w={190}
            aria-label={t('cut.choose')}
            allowDeselect={false}
            data={batches.map((b) => ({ value: String(b.id), label: b.name }))}
            value={String(list.batchId)}
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
          {open && (
            <Button
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
      <ProblemNote error={confirm.error ?? propose.error} />
      {stale && (
        <Button onClick={again} loading={propose.isPending}>
          {t('cut.again')}
        </Button>
      )}
      <Text>
        {t('cut.summary', {
          pieces: list.pieces,
          strands: list.strands,
          spools: list.spools.length,
          cut: formatLength(list.cutUm, units, 'stock'),
          scrap: formatLength(list.scrapUm, units, 'stock'),
          percent: list.scrapPercent,
        })}
      </Text>
      {list.quality && <Quality quality={list.quality} />}
      {list.opened > 0 && (
        <Text size="sm">
          {t('cut.opens', { count: list.opened })}{' '}
          {list.waitingUnopened > 0
            ? t('cut.unopened', { count: list.waitingUnopened })
            : t('cut.unopenedNone')}
        </Text>
      )}
      {list.confirmedAt ? (
        <Alert color="board" variant="outline">
          {t('cut.confirmed', { who: list.confirmedBy, when: formatTime(list.confirmedAt) })}{' '}
          <Link to={`/costs?batch=${list.batchId}`}>{t('cut.toCosts')}</Link>
        </Alert>
      ) : (
        <Text size="sm" c="dimmed">
          {t('cut.cautions')}
        </Text>
      )}
      {list.trimmings.length > 0 && <Trimmings trimmings={list.trimmings} />}
      {list.waiting.length > 0 && <Waiting waiting={list.waiting} open={open} />}
      {list.spools.map((spool) => (
        <SpoolPanel key={spool.holdingId} spool={spool} scaleUm={longest} list={list.id} open={open} />
      ))}
    </Page>
  );
}

/** How near the plan is to the best there is, by the house's weights. */
function Quality({ quality }: { quality: Schemas['QualityView'] }) {
  const { t } = useTranslation();
  return (
    <Text size="sm">
      {quality.gapPercent === 0 ? t('cut.best') : t('cut.near', { percent: quality.gapPercent.toFixed(2) })}{' '}
      {t('cut.costs')} <Money value={quality.cost} />
      {quality.saved > 0.005 && (
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

/** Short strands that are not cut: the tails to keep, and what they are for. */
function Trimmings({ trimmings }: { trimmings: Schemas['TrimmingView'][] }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  return (
    <Alert
      color="board"
      variant="outline"
      title={t('cut.trimmings', { count: trimmings.reduce((n, trimming) => n + trimming.strands, 0) })}
    >
      {trimmings.map((trimming) => (
        <Group key={trimming.pieces.join() + trimming.role} gap="xs" wrap="nowrap" align="flex-start">
          <Swatch colour={trimming.colour} />
          <Text size="sm">
            {t('cut.trimming', {
              strands: trimming.strands,
              role: strandName(t, trimming.role),
              reference: trimming.reference,
              pieces: trimming.pieces.map((p) => `#${p}`).join(', '),
              length: formatLength(trimming.lengthUm, units),
              article: `${trimming.articleName} (${trimming.articleCode})`,
              source: strandName(t, trimming.sourceRole),
              sources: [...new Set(trimming.sourcePieces)].map((p) => `#${p}`).join(', '),
              tail: formatLength(trimming.tailUm, units),
            })}
          </Text>
        </Group>
      ))}
      <Text size="sm">{t('cut.trimmingsThen')}</Text>
    </Alert>
  );
}
