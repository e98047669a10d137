import { Alert, Badge, Button, Group, List, NativeSelect, Stack, Text, Textarea } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useUnits } from '../../app/units';
import { formatLength } from '../../shared/format';
import { useKeys } from '../../shared/useKeys';
import classes from './Card.module.css';
import { Measure, type Measured } from './Measure';
import { Places } from './Places';
import type { Card, CardStep } from './queries';
import type { useKeptActs } from './useKeptActs';
import { useStepTimer } from './useStepTimer';
import { WentWrong } from './WentWrong';
import { clock, spoken, stepWords } from './words';

type Acts = ReturnType<typeof useKeptActs>;

interface Props {
  card: Card;
  step: CardStep;
  at: number;
  heldUp: boolean;
  acts: Acts;
  onDone: () => void;
  onTakeBack: (() => void) | undefined;
  children?: React.ReactNode;
}

/** The step that is next, in large words, with what it asks of whoever does it. */
export function StepPanel({ card, step, at, heldUp, acts, onDone, onTakeBack, children }: Props) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const [asking, setAsking] = useState<'why' | 'again' | 'wrong' | undefined>(undefined);
  const [measured, setMeasured] = useState<Measured>({});
  const timer = useStepTimer(`${card.piece.id} ${at}`, step.seconds, card.timer && !step.flame);
  const gate = step.kind === 'GATE' || step.kind === 'CHECK';
  const inspecting = step.kind === 'INSPECT';
  const seconds = card.timer && timer.seconds > 0 ? timer.seconds : undefined;
  const done = () => {
    acts.act({ act: 'DONE', step: at, seconds, ...measured });
    onDone();
  };
  const notYet = () => acts.act({ act: 'NOT_YET', step: at });
  useKeys(
    asking
      ? {}
      : {
          ' ': done,
          Backspace: onTakeBack,
          n: gate ? notYet : undefined,
          g: gate ? () => setAsking('why') : undefined,
          w: step.flame ? undefined : () => setAsking('wrong'),
        },
  );
  return (
    <Stack gap="sm">
      <Group gap="xs" justify="space-between">
        <Group gap="xs">
          <Badge color={gate ? 'straw' : 'board'} variant="outline" size="lg">
            {t(`make.kind.${step.kind}`)}
          </Badge>
          <Text size="sm" c="dimmed">
            {t('make.at', { step: at + 1, of: card.steps.length })}
          </Text>
        </Group>
        {card.timer && !step.flame && step.seconds > 0 && (
          <Text size="sm" role="timer" aria-label={t('make.timer')}>
            <span className="figure">{clock(timer.seconds)}</span>
            {timer.paused ? ` · ${t('make.paused')}` : ''} ·{' '}
            {t('make.likely', { time: spoken(step.seconds) })}
          </Text>
        )}
      </Group>
      <p className={classes.words} aria-live={step.flame ? 'off' : 'polite'}>
        {stepWords(t, card, step, units)}
      </p>
      {step.kind === 'TIE' && (
        <p className={classes.reachWords}>
          {t('make.reachNow')} <span className="figure">{formatLength(step.reachUm, units)}</span>
        </p>
      )}
      {children}
      {step.flame && (
        <Alert color="straw" variant="outline">
          {t('make.flame')}
        </Alert>
      )}
      {heldUp && (
        <Alert color="straw" variant="outline" role="status">
          {t('make.heldUp')}
          {card.last?.act === 'NOT_YET' && card.last.reason !== '' && (
            <Text>{t('make.heldUp.why', { who: card.last.who, reason: card.last.reason })}</Text>
          )}
        </Alert>
      )}
      {step.stitch && t(`make.mind.${step.stitch}`, { defaultValue: '' }) !== '' && (
        <Text>{t(`make.mind.${step.stitch}`)}</Text>
      )}
      {(step.kind === 'TIE' || step.gate === 'STRANDS_IN_ORDER') && (
        <Places card={card} section={step.section} />
      )}
      {(step.measure || inspecting) && (
        <Measure key={at} card={card} step={step} at={at} onMeasured={setMeasured} />
      )}
      {inspecting && (
        <List size="md" spacing={2}>
          {card.inspection.looks.map((look) => (
            <List.Item key={look}>{t(`make.look.${look}`)}</List.Item>
          ))}
        </List>
      )}
      {inspecting && card.passedOver.length > 0 && (
        <div>
          <Text fw={650}>{t('make.passedOver.title')}</Text>
          <List size="md" spacing={2}>
            {card.passedOver.map((over) => (
              <List.Item key={over.step}>
                {t('make.passedOver', { step: over.step + 1, who: over.who, reason: over.reason })}
              </List.Item>
            ))}
          </List>
        </div>
      )}
      <Asides step={step} />
      {asking === 'why' && (
        <Reason
          title={t('make.allTheSame.why')}
          words={t('make.allTheSame.words')}
          go={t('make.goOnAllTheSame')}
          onCancel={() => setAsking(undefined)}
          onGo={(reason) => {
            acts.act({ act: 'ALL_THE_SAME', step: at, reason, seconds, ...measured });
            setAsking(undefined);
            onDone();
          }}
        />
      )}
      {asking === 'again' && (
        <Again
          card={card}
          at={at}
          onCancel={() => setAsking(undefined)}
          onGo={(reason, from) => {
            acts.act({ act: 'BACK_TO', step: from, reason, ...measured });
            setAsking(undefined);
          }}
        />
      )}
      {asking === 'wrong' && <WentWrong card={card} onClose={() => setAsking(undefined)} />}
      {(!asking || asking === 'wrong') && (
        <div className={classes.acts}>
          <Button size="lg" className={classes.done} onClick={done}>
            {t(
              step.flame
                ? 'make.flameOut'
                : inspecting
                  ? 'make.inspect.pass'
                  : gate
                    ? 'make.passed'
                    : 'make.done',
            )}
            <span className={classes.key}>{t('bench.key.space')}</span>
          </Button>
          {gate && (
            <>
              <Button size="lg" variant="default" onClick={notYet}>
                {t('make.notYet')}
                <span className={classes.key}>N</span>
              </Button>
              <Button size="lg" variant="default" onClick={() => setAsking('why')}>
                {t('make.allTheSame')}
                <span className={classes.key}>G</span>
              </Button>
            </>
          )}
          {inspecting && (
            <Button size="lg" variant="default" onClick={() => setAsking('again')}>
              {t('make.inspect.rework')}
            </Button>
          )}
          {at > 0 && !step.flame && (
            <Button size="lg" variant="default" onClick={() => setAsking('wrong')}>
              {t('make.wrong')}
              <span className={classes.key}>W</span>
            </Button>
          )}
          <Button size="lg" variant="default" disabled={!onTakeBack} onClick={onTakeBack}>
            {t('make.takeBack')}
            <span className={classes.key}>⌫</span>
          </Button>
        </div>
      )}
    </Stack>
  );
}

/** Waits, tools, cautions and repairs, at their step only. */
function Asides({ step }: { step: CardStep }) {
  const { t } = useTranslation();
  return (
    <>
      {step.liesSeconds > 0 && <Text>{t('make.lieFor', { time: spoken(step.liesSeconds) })}</Text>}
      {step.tools.length > 0 && (
        <Text size="sm" c="dimmed">
          {t('make.toolsHere', { tools: step.tools.map((tool) => t(`make.tool.${tool}`)).join(', ') })}
        </Text>
      )}
      {step.cautions.map((caution) => (
        <Text key={caution} size="sm" fw={650}>
          {t(`caution.${caution}`)}
        </Text>
      ))}
      {step.repairs.length > 0 && (
        <details>
          <summary>{t('make.goesWrong')}</summary>
          <List size="sm" spacing={2} mt={4}>
            {step.repairs.map((repair) => (
              <List.Item key={repair}>{t(`make.repair.${repair}`)}</List.Item>
            ))}
          </List>
        </details>
      )}
    </>
  );
}

interface ReasonProps {
  title: string;
  words?: string;
  go: string;
  onGo: (reason: string) => void;
  onCancel: () => void;
  children?: React.ReactNode;
}

const LONGEST_REASON = 400;

function Reason({ title, words, go, onGo, onCancel, children }: ReasonProps) {
  const { t } = useTranslation();
  const [reason, setReason] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    onGo(reason.trim());
  };
  return (
    <Stack component="form" gap="xs" onSubmit={submit}>
      <Textarea
        label={title}
        description={words}
        rows={2}
        size="md"
        maxLength={LONGEST_REASON}
        data-autofocus
        autoFocus
        value={reason}
        onChange={(e) => setReason(e.currentTarget.value)}
      />
      {children}
      <div className={classes.acts}>
        <Button size="lg" type="submit" disabled={reason.trim() === ''}>
          {go}
        </Button>
        <Button size="lg" variant="default" onClick={onCancel}>
          {t('make.cancel')}
        </Button>
      </div>
    </Stack>
  );
}

interface AgainProps {
  card: Card;
  at: number;
  onGo: (reason: string, from: number) => void;
  onCancel: () => void;
}

/** Not good: worked on again from a step that is done. */
function Again({ card, at, onGo, onCancel }: AgainProps) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const doable = card.steps.map((s, i) => ({ s, i })).filter(({ s, i }) => i < at && s.kind !== 'GATE');
  const [from, setFrom] = useState(doable.at(-1)?.i ?? 0);
  return (
    <Reason
      title={t('make.inspect.why')}
      go={t('make.inspect.rework')}
      onCancel={onCancel}
      onGo={(reason) => onGo(reason, from)}
    >
      <NativeSelect
        size="md"
        label={t('make.inspect.from')}
        value={from}
        onChange={(e) => setFrom(Number(e.currentTarget.value))}
        data={doable.map(({ s, i }) => ({
          value: String(i),
          label: `${i + 1}. ${stepWords(t, card, s, units)}`,
        }))}
      />
    </Reason>
  );
}
