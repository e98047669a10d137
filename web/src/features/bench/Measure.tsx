import { Button, Group, NativeSelect, Stack, Text } from '@mantine/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError } from '../../api/client';
import { useUnits } from '../../app/units';
import { formatLength } from '../../shared/format';
import { LengthField } from '../../shared/LengthField';
import { ProblemNote } from '../../shared/ProblemNote';
import { Verdict } from '../../shared/Verdict';
import { type Card, type CardStep, useMeasured } from './queries';

export interface Measured {
  lengthUm?: number;
  cordLeftUm?: number;
  strand?: number;
  leg?: number;
}

interface Props {
  card: Card;
  step: CardStep;
  at: number;
  onMeasured: (measured: Measured) => void;
}

/** A length measured at a check, and the cord left, held against the card by the server. */
export function Measure({ card, step, at, onMeasured }: Props) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const [length, setLength] = useState('');
  const [left, setLeft] = useState('');
  const [leg, setLeg] = useState(0);
  const ask = useMeasured(card.piece.id);
  const of = step.left[leg];
  const atEnd = step.doing === 'INSPECT';
  const look = () =>
    ask.mutate(
      { step: at, length, cordLeft: left, strand: of?.strand ?? 0, leg: of?.leg ?? 0, units },
      {
        onSuccess: (says) =>
          onMeasured({
            lengthUm: says.lengthUm,
            cordLeftUm: says.cordLeftUm,
            ...(says.cordLeftUm === undefined ? {} : { strand: of?.strand, leg: of?.leg }),
          }),
      },
    );
  const problem = ask.error instanceof ProblemError ? ask.error : undefined;
  const expected = atEnd ? card.inspection.lengthUm : (step.measure?.soFarUm ?? 0);
  return (
    <Stack
      component="form"
      gap="xs"
      onSubmit={(e) => {
        e.preventDefault();
        look();
      }}
    >
      <Group gap="sm" align="flex-start">
        <LengthField
          size="md"
          w={190}
          label={t(atEnd ? 'make.measure.finished' : 'make.measure.length')}
          description={t('make.measure.expected', { length: formatLength(expected, units) })}
          value={length}
          onChange={setLength}
          error={problem?.field('length')}
        />
        {!atEnd && step.left.length > 0 && (
          <>
            <LengthField
              size="md"
              w={190}
              label={t('make.measure.left')}
              description={t('make.measure.expected', { length: formatLength(of?.expectedUm ?? 0, units) })}
              value={left}
              onChange={setLeft}
              error={problem?.field('cordLeft')}
            />
            {step.left.length > 1 && (
              <NativeSelect
                size="md"
                label={t('make.measure.ofLeg')}
                value={leg}
                onChange={(e) => setLeg(Number(e.currentTarget.value))}
                data={step.left.map((l, i) => ({
                  value: String(i),
                  label: legName(
                    card,
                    l.strand,
                    l.leg,
                    step.left.filter((o) => o.strand === l.strand).length,
                  ),
                }))}
              />
            )}
          </>
        )}
        <Button
          type="submit"
          variant="default"
          size="md"
          mt={25}
          loading={ask.isPending}
          disabled={length.trim() === '' && left.trim() === ''}
        >
          {t('make.measure.look')}
        </Button>
      </Group>
      <ProblemNote error={ask.error} shown={['length', 'cordLeft']} />
      {ask.data && <Says card={card} says={ask.data} />}
    </Stack>
  );
}

const legName = (card: Card, strand: number, leg: number, legs: number) =>
  `${card.strands[strand]?.letter ?? ''}${legs > 1 ? ` ${leg + 1}` : ''}`;

function Says({ card, says }: { card: Card; says: NonNullable<ReturnType<typeof useMeasured>['data']> }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const percent = (share: number) => Math.round(100 * share);
  const more = says.more ?? 0;
  return (
    <Stack gap={4} role="status">
      {says.toGo !== undefined && says.ratio !== undefined && says.tension && (
        <Group gap="xs">
          <Verdict word={says.tension} />
          <Text fw={650}>
            {t('make.measure.toGo', { count: says.toGo })},{' '}
            {more === 0
              ? t('make.measure.same')
              : t(more > 0 ? 'make.measure.more' : 'make.measure.fewer', { count: Math.abs(more) })}
          </Text>
          <Text size="sm">
            {t('make.measure.pitch', { percent: percent(says.ratio) })} ·{' '}
            {t(`make.measure.tension.${says.tension}`)}
          </Text>
        </Group>
      )}
      {says.chance !== undefined && says.suffices && (
        <Group gap="xs">
          <Verdict word={says.suffices} />
          <Text fw={650}>{t('make.measure.chance', { percent: percent(says.chance) })}</Text>
        </Group>
      )}
      {says.outcome && (
        <Group gap="xs">
          <Verdict word={says.outcome === 'WITHIN' ? 'GOOD' : 'NO'} />
          <Text fw={650}>
            {t(`make.measure.${says.outcome}`, {
              tolerance: formatLength(card.inspection.toleranceUm, units),
              length: formatLength(card.inspection.lengthUm, units),
            })}
          </Text>
        </Group>
      )}
    </Stack>
  );
}
