import { Alert, Button, Group, Stack, Text, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { devicesQuery } from '../../shared/devices';
import { formatLength, formatTime } from '../../shared/format';
import { strandName } from '../../shared/names';
import { Await, Empty, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { Swatch } from '../../shared/Swatch';
import { sessionQuery } from '../../shared/session';
import { useKeys } from '../../shared/useKeys';
import classes from './BenchPage.module.css';
import { goOnAt, lastDone, type Next, nextCut, type Spool, type Step, toDo } from './bench';
import { Counter } from './Counter';
import { Left } from './Left';
import { Mishap, type MishapKind } from './Mishap';
import { useProgress } from './progress';
import { type BenchAct, cutListQuery, useBench } from './queries';
import { SpoolBar } from './SpoolBar';

/** Others cut at the same time; what they did shows by itself. */
const LOOK_AGAIN_MS = 4000;

/** One cut at a time, for a hand with scissors in it. */
export default function BenchPage() {
  const id = Number(useParams().list);
  const list = useQuery(cutListQuery(id));
  useProgress(id, LOOK_AGAIN_MS);
  const session = useQuery(sessionQuery);
  return <Await query={list}>{(l) => <Bench key={l.id} list={l} who={session.data?.name ?? ''} />}</Await>;
}

function Bench({ list, who }: { list: Schemas['CutListView']; who: string }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const chosen = Number(useParams().spool);
  const spool = list.spools.find((s) => s.id === chosen) ?? goOnAt(list.spools, who);
  const bench = useBench(list.id);
  const take = (s: Spool) => {
    navigate(`/cut/${list.id}/bench/${s.id}`, { replace: true });
    const free = !s.inHandOf || s.inHandOf === who;
    if (free && toDo(s).length > 0) bench.mutate({ spool: s.id, act: 'take', over: false });
  };
  return (
    <Page
      title={t('bench.title', { batch: list.name })}
      actions={
        <Button variant="default" component={Link} to={`/cut/${list.id}`}>
          {t('bench.toList')}
        </Button>
      }
    >
      {list.confirmedAt && (
        <Alert color="board" variant="outline">
          {t('cut.confirmed', { who: list.confirmedBy, when: formatTime(list.confirmedAt) })}{' '}
          <Link to={`/costs?batch=${list.batches[0]?.id}`}>{t('cut.toCosts')}</Link>
        </Alert>
      )}
      <Left list={list} />
      {list.waiting.length > 0 && (
        <Text size="sm" c="dimmed">
          {t('bench.waiting', { count: list.waiting.reduce((n, w) => n + w.pieces, 0) })}
        </Text>
      )}
      {spool ? (
        <div className={classes.bench}>
          <nav className={classes.spools} aria-label={t('bench.spools')}>
            {list.spools.map((s) => (
              <SpoolButton
                key={s.id}
                spool={s}
                who={who}
                current={s.id === spool.id}
                onTake={() => take(s)}
              />
            ))}
          </nav>
          <AtSpool key={spool.id} list={list} spool={spool} who={who} bench={bench} onNext={take} />
        </div>
      ) : (
        <Empty words={t('bench.nothing')}>
          <Button component={Link} to={`/cut/${list.id}`}>
            {t('bench.toList')}
          </Button>
        </Empty>
      )}
    </Page>
  );
}

interface SpoolButtonProps {
  spool: Spool;
  who: string;
  current: boolean;
  onTake: () => void;
}

function SpoolButton({ spool, who, current, onTake }: SpoolButtonProps) {
  const { t } = useTranslation();
  const left = toDo(spool).length;
  const hand = spool.inHandOf && (spool.inHandOf === who ? t('bench.mine') : spool.inHandOf);
  return (
    <button type="button" className={classes.spool} aria-current={current} onClick={onTake}>
      <Group gap={8} wrap="nowrap">
        <Swatch colour={spool.colour} />
        <Text fw={650} truncate>
          {spool.label} · {spool.articleCode}
        </Text>
      </Group>
      <Text size="sm" c="dimmed">
        {left === 0 ? t('bench.spoolDone') : t('bench.toGo', { count: left })}
        {hand ? ` · ${hand}` : ''}
      </Text>
    </button>
  );
}

interface AtSpoolProps {
  list: Schemas['CutListView'];
  spool: Spool;
  who: string;
  bench: ReturnType<typeof useBench>;
  onNext: (spool: Spool) => void;
}

function AtSpool({ list, spool, who, bench, onNext }: AtSpoolProps) {
  const { t } = useTranslation();
  const panel = useRef<HTMLDivElement>(null);
  const [mishap, setMishap] = useState<MishapKind | undefined>(undefined);
  const next = nextCut(spool);
  const taken = spool.inHandOf !== undefined && spool.inHandOf !== who;
  const following = list.spools.find((s) => s.id !== spool.id && toDo(s).length > 0 && !s.inHandOf);
  const act = (done: BenchAct) => {
    if (bench.isPending) return;
    bench.mutate(
      { spool: spool.id, ...done },
      {
        onSuccess: () => {
          setMishap(undefined);
          panel.current?.focus({ preventScroll: true });
        },
      },
    );
  };
  const cut = (steps: Step[], keep?: boolean) =>
    act({ act: 'cut', steps: steps.map((s) => s.id), ...(keep === undefined ? {} : { keep }) });
  const leftover = next && next.step.kind !== 'STRAND';
  const keys: Record<string, (() => void) | undefined> = taken
    ? {}
    : {
        ' ': next ? () => cut([next.step]) : following && (() => onNext(following)),
        Backspace: lastDone(spool) && (() => act({ act: 'undo' })),
        a: next && next.left.length > 1 ? () => cut(next.left) : undefined,
        k: leftover ? () => cut([next.step], true) : undefined,
        b: leftover ? () => cut([next.step], false) : undefined,
        f: next && (() => setMishap('flaw')),
        r: next && (() => setMishap('ranOut')),
        w: next && (() => setMishap('wrong')),
      };
  useKeys(mishap === undefined ? keys : {});
  useEffect(() => panel.current?.focus({ preventScroll: true }), []);
  return (
    <Stack
      component="section"
      ref={panel}
      tabIndex={-1}
      gap="sm"
      className={`panel ${classes.now}`}
      aria-label={`${spool.label} ${spool.articleName}`}
    >
      <Group gap="xs" px="sm" pt="sm">
        <Swatch colour={spool.colour} />
        <Title order={2} size="h4">
          {t(`holding.${spool.kind}`)} {spool.label} · {spool.articleName}
        </Title>
        <Text size="sm" c="dimmed">
          {t('cut.where', { shelf: spool.shelf || '–', lot: spool.lot })}
        </Text>
      </Group>
      <div className={classes.scale}>
        <SpoolBar spool={spool} scaleUm={spool.lengthUm} current={next?.step.id} />
      </div>
      <Stack px="sm" pb="sm" gap="sm">
        {!mishap && <ProblemNote error={bench.error} />}
        {taken ? (
          <Alert color="straw" variant="outline" title={t('bench.taken', { who: spool.inHandOf })}>
            <Button variant="default" onClick={() => act({ act: 'take', over: true })}>
              {t('bench.takeOver')}
            </Button>
          </Alert>
        ) : next ? (
          <NextCut next={next} pending={bench.isPending} onCut={cut} />
        ) : (
          <Group>
            <Text size="lg" fw={650}>
              {t('bench.spoolEnd', { spool: spool.label })}
            </Text>
            {following && (
              <Button size="lg" onClick={() => onNext(following)}>
                {t('bench.nextSpool', { spool: following.label, shelf: following.shelf || '–' })}
                <span className={classes.key}>{t('bench.key.space')}</span>
              </Button>
            )}
          </Group>
        )}
        {!taken && (
          <div className={classes.acts}>
            <Button
              variant="default"
              size="lg"
              px="xs"
              disabled={!lastDone(spool)}
              onClick={() => act({ act: 'undo' })}
            >
              {t('bench.undo')}
              <span className={classes.key}>⌫</span>
            </Button>
            {next &&
              (['flaw', 'ranOut', 'wrong'] as const).map((kind) => (
                <Button key={kind} variant="default" size="lg" px="xs" onClick={() => setMishap(kind)}>
                  {t(`bench.${kind}`)}
                  <span className={classes.key}>{t(`bench.key.${kind}`)}</span>
                </Button>
              ))}
          </div>
        )}
        {!taken && next && <CounterIfThere list={list.id} spool={spool} />}
        <Text size="sm" c="dimmed">
          {t('cut.cautions')}
        </Text>
      </Stack>
      {mishap && (
        <Mishap
          kind={mishap}
          error={bench.error}
          pending={bench.isPending}
          onAct={act}
          onClose={() => {
            bench.reset();
            setMishap(undefined);
          }}
        />
      )}
    </Stack>
  );
}

function CounterIfThere({ list, spool }: { list: number; spool: Spool }) {
  const devices = useQuery(devicesQuery);
  return devices.data?.there ? <Counter list={list} spool={spool.id} /> : null;
}

interface NextCutProps {
  next: Next;
  pending: boolean;
  onCut: (steps: Step[], keep?: boolean) => void;
}

/** The length in huge figures, in both systems; what it is for; and the way on. */
function NextCut({ next, pending, onCut }: NextCutProps) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const other = units === 'METRIC' ? 'IMPERIAL' : 'METRIC';
  const { step } = next;
  const strand = step.kind === 'STRAND';
  return (
    <>
      <Text size="lg" fw={650} aria-live="polite">
        {strand
          ? t('bench.cutOf', { place: next.place, of: next.of, role: strandName(t, step.role ?? '') })
          : t(step.kind === 'OFFCUT' ? 'bench.offcut' : 'bench.rest')}
      </Text>
      <div>
        <div className={classes.huge}>{formatLength(step.lengthUm, units, 'cut')}</div>
        <div className={classes.other}>{formatLength(step.lengthUm, other, 'cut')}</div>
      </div>
      {strand && (
        <Text>
          {t('bench.for', { reference: step.reference, piece: step.pieceId, customer: step.customer })}
        </Text>
      )}
      {step.mark && (
        <Text size="lg">
          {t(`bench.mark.${step.mark.kind}`)} <b className="figure">{formatLength(step.mark.um, units)}</b> (
          <span className="figure">{formatLength(step.mark.um, other)}</span>)
        </Text>
      )}
      {next.after && (
        <Text c="dimmed">
          {t('bench.then', {
            count: next.after.steps.length,
            length: formatLength(next.after.steps[0].lengthUm, units, 'cut'),
            what:
              next.after.steps[0].kind === 'STRAND'
                ? strandName(t, next.after.steps[0].role ?? '')
                : t(`leftover.${next.after.steps[0].kind}`),
          })}
        </Text>
      )}
      <Group gap="xs">
        {strand ? (
          <>
            <Button size="xl" miw={200} loading={pending} onClick={() => onCut([step])}>
              {t('bench.cut')}
              <span className={classes.key}>{t('bench.key.space')}</span>
            </Button>
            {next.left.length > 1 && (
              <Button size="xl" variant="default" disabled={pending} onClick={() => onCut(next.left)}>
                {t('bench.cutAll', { count: next.left.length })}
                <span className={classes.key}>A</span>
              </Button>
            )}
          </>
        ) : (
          [true, false].map((keep) => (
            <Button
              key={String(keep)}
              size="xl"
              variant={step.keep === keep ? 'filled' : 'default'}
              disabled={pending}
              onClick={() => onCut([step], keep)}
            >
              {t(keep ? (step.kind === 'REST' ? 'bench.putBack' : 'leftover.keep') : 'leftover.bin')}
              <span className={classes.key}>
                {step.keep === keep ? `${t('bench.key.space')} · ` : ''}
                {keep ? 'K' : 'B'}
              </span>
            </Button>
          ))
        )}
      </Group>
    </>
  );
}
