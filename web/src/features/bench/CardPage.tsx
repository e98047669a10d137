import { Alert, Button, Group, SegmentedControl, Stack, Text } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { useUnits } from '../../app/units';
import { formatDay, formatTime } from '../../shared/format';
import { Await, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { sessionQuery } from '../../shared/session';
import classes from './Card.module.css';
import { Fetch } from './Fetch';
import { type KeptAct, standingWith } from './kept';
import { LeftOver } from './LeftOver';
import { MadePicture } from './MadePicture';
import { Notes } from './Notes';
import { type Card, cardQuery, useLayDown, useNote, useTake } from './queries';
import { Resize } from './Resize';
import { SetUp } from './SetUp';
import { StepList } from './StepList';
import { StepPanel } from './StepPanel';
import { useKeptActs } from './useKeptActs';
import { useWakeLock } from './useWakeLock';

/** One piece at the bench, one step at a time. */
export default function CardPage() {
  const piece = Number(useParams().piece);
  const card = useQuery(cardQuery(piece));
  const session = useQuery(sessionQuery);
  return (
    <Await query={card}>{(c) => <AtBench key={c.piece.id} card={c} who={session.data?.name ?? ''} />}</Await>
  );
}

function AtBench({ card: kept, who }: { card: Card; who: string }) {
  const { t } = useTranslation();
  // Asked for here as well: an act that was sent is dropped at once, and a card from above would still be that of before it.
  const card = useQuery(cardQuery(kept.piece.id)).data ?? kept;
  const navigate = useNavigate();
  const [params, setParams] = useSearchParams();
  const through = params.get('by') === 'step';
  const panel = useRef<HTMLDivElement>(null);
  // The paper that goes with the house's units.
  const paper = useUnits().units === 'METRIC' ? 'A4' : 'LETTER';
  const acts = useKeptActs(who, card.piece.id);
  const stands = standingWith(card, acts.waiting);
  const step = card.steps[stands.next];
  const mine = card.inHandOf === who;
  const open = ['CUT', 'MAKING', 'MADE', 'CHECKED'].includes(card.piece.stage);
  const mineOrMade = mine || !['OPEN', 'PLANNED', 'CUTTING', 'CUT', 'GIVEN_UP'].includes(card.piece.stage);
  const inMine = card.alike.filter((a) => a.inHandOf === who);
  useWakeLock(mine);
  useEffect(() => panel.current?.focus({ preventScroll: true }), []);
  const behind = inMine.filter((a) => a.next <= stands.next).sort((a, b) => a.next - b.next)[0];
  const onDone = () => {
    panel.current?.focus({ preventScroll: true });
    if (through && behind) navigate(`/bench/${behind.piece}?by=step`, { replace: true });
  };
  const takeBack = acts.waiting.length > 0 || card.last ? acts.takeBack : undefined;
  const { piece } = card;
  return (
    <Page
      title={t('make.pieceTitle', {
        pattern: piece.patternName,
        number: piece.number,
        quantity: piece.quantity,
      })}
      actions={
        <>
          {inMine.length > 0 && (
            <SegmentedControl
              aria-label={t('make.mode')}
              value={through ? 'step' : 'piece'}
              onChange={(by) => setParams(by === 'step' ? { by } : {}, { replace: true })}
              data={[
                { value: 'piece', label: t('make.one') },
                { value: 'step', label: t('make.through') },
              ]}
            />
          )}
          {mine && <LayDown piece={piece.id} />}
          {['MADE', 'CHECKED', 'PACKED'].includes(piece.stage) && <AnotherSize card={card} />}
          <Button
            variant="default"
            component="a"
            target="_blank"
            rel="noopener"
            href={`/api/bench/cards.pdf?pieces=${[piece.id, ...inMine.map((a) => a.piece)].join(',')}&paper=${paper}`}
          >
            {t('make.print')}
          </Button>
          <Button variant="default" component={Link} to="/bench">
            {t('make.toList')}
          </Button>
        </>
      }
    >
      <Group gap="md">
        <Link to={`/orders/${piece.order}`}>
          {t('make.for', { reference: piece.reference, customer: piece.customer })}
        </Link>
        <Text size="sm" c="dimmed">
          {t('make.tag', { piece: piece.id })} ·{' '}
          {piece.due ? t('make.due', { day: formatDay(piece.due) }) : t('make.noDay')}
        </Text>
      </Group>
      <Waiting acts={acts} />
      <div className={classes.page}>
        <Stack
          component="section"
          ref={panel}
          tabIndex={-1}
          gap="sm"
          p="sm"
          className={`panel ${classes['now-step']}`}
          aria-label={t('make.steps')}
        >
          {step ? (
            mine || (stands.next > 0 && acts.waiting.length > 0) ? (
              <StepPanel
                key={stands.next}
                card={card}
                step={step}
                at={stands.next}
                heldUp={stands.heldUp}
                acts={acts}
                onDone={onDone}
                onTakeBack={takeBack}
              >
                <MadePicture card={card} at={stands.next} />
              </StepPanel>
            ) : (
              <>
                <InHand card={card} open={open} />
                <MadePicture card={card} at={stands.next} />
              </>
            )
          ) : (
            <>
              <Text size="lg" fw={650}>
                {t(`make.stands.${piece.stage}`, { defaultValue: t('make.allDone') })}
              </Text>
              {piece.dryUntil && <Text>{t('make.dry', { when: formatTime(piece.dryUntil) })}</Text>}
              <MadePicture card={card} at={stands.next} />
              <Group>
                {inMine[0] && (
                  <Button
                    size="lg"
                    component={Link}
                    to={`/bench/${inMine[0].piece}${through ? '?by=step' : ''}`}
                    replace
                  >
                    {t('make.nextPiece', { number: inMine[0].number })}
                  </Button>
                )}
                {open && card.last && (
                  <Button size="lg" variant="default" onClick={takeBack}>
                    {t('make.takeBack')}
                  </Button>
                )}
              </Group>
            </>
          )}
          {stands.next >= card.steps.length - 1 && mineOrMade && <LeftOver piece={piece.id} />}
        </Stack>
        <Stack gap="md">
          <details className={`panel ${classes.aside}`} open={stands.next === 0}>
            <summary>{t(stands.next === 0 ? 'make.fetch' : 'make.strands')}</summary>
            <div>
              <Fetch card={card} also={through ? inMine.map((a) => a.piece) : []} />
              {mine && card.timer && <SetUp card={card} />}
            </div>
          </details>
          <section className="panel" aria-label={t('make.allSteps')}>
            <StepList card={card} at={stands.next} />
          </section>
          {card.begun && (
            <details className={`panel ${classes.aside}`} open={card.notes.length > 0}>
              <summary>{t('make.notes')}</summary>
              <Notes card={card} at={stands.next} />
            </details>
          )}
        </Stack>
      </div>
      <Text size="sm" c="dimmed" visibleFrom="md">
        {t('make.keys')}
      </Text>
    </Page>
  );
}

function AnotherSize({ card }: { card: Card }) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button variant="default" onClick={() => setOpen(true)}>
        {t('make.resize')}
      </Button>
      {open && <Resize card={card} onClose={() => setOpen(false)} />}
    </>
  );
}

/** Who has it, or that nobody has; and the way to take it. */
function InHand({ card, open }: { card: Card; open: boolean }) {
  const { t } = useTranslation();
  const take = useTake();
  const { piece } = card;
  if (!open) return <Text fw={650}>{t(`make.stands.${piece.stage}`, { defaultValue: '' })}</Text>;
  return (
    <Alert
      color="straw"
      variant="outline"
      title={card.inHandOf ? t('make.taken', { who: card.inHandOf }) : t('make.lies')}
    >
      <Stack gap="xs" align="flex-start">
        <Button
          size="lg"
          loading={take.isPending}
          onClick={() => take.mutate({ pieces: [piece.id], over: card.inHandOf !== '' })}
        >
          {t(card.inHandOf ? 'make.takeOver' : 'make.takeInHand')}
        </Button>
        <ProblemNote error={take.error} />
      </Stack>
    </Alert>
  );
}

function LayDown({ piece }: { piece: number }) {
  const { t } = useTranslation();
  const layDown = useLayDown();
  return (
    <Button variant="default" loading={layDown.isPending} onClick={() => layDown.mutate([piece])}>
      {t('make.layDown')}
    </Button>
  );
}

/** What is kept on this device, and what was refused when it was sent. */
function Waiting({ acts }: { acts: ReturnType<typeof useKeptActs> }) {
  const { t } = useTranslation();
  const note = useNote();
  const asNotes = async (refused: KeptAct['act'][]) => {
    for (const { key, piece, act, step, seconds, reason, at } of refused) {
      await note.mutateAsync({ key, piece, step, insteadOf: act, seconds, words: reason, at });
      acts.drop([key]);
    }
  };
  return (
    <>
      <ProblemNote error={note.error} />
      {acts.kept > 0 && !acts.sending && (
        <Alert color="straw" variant="outline" role="status">
          {t('make.kept', { count: acts.kept })}
        </Alert>
      )}
      {[...new Set(acts.refused.map((a) => a.act.piece))].map((piece) => {
        const ofPiece = acts.refused.filter((a) => a.act.piece === piece);
        return (
          <Alert
            key={piece}
            color="coral"
            variant="outline"
            title={ofPiece[0]?.refused?.title ?? t('make.refused')}
          >
            <Group justify="space-between">
              <Text size="sm">
                {t('make.refused.words', { count: ofPiece.length, piece })} {ofPiece[0]?.refused?.detail}
              </Text>
              <Group gap="xs">
                <Button
                  variant="default"
                  mih={44}
                  loading={note.isPending}
                  onClick={() => asNotes(ofPiece.map((a) => a.act))}
                >
                  {t('make.refused.note')}
                </Button>
                <Button variant="default" mih={44} onClick={() => acts.drop(ofPiece.map((a) => a.act.key))}>
                  {t('make.refused.drop')}
                </Button>
              </Group>
            </Group>
          </Alert>
        );
      })}
    </>
  );
}
