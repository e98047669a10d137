import { Button, Group, NativeSelect, NumberInput, Text, Textarea } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { formatDay, formatLength, formatMoney } from '../../shared/format';
import { partName } from '../../shared/names';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { sessionQuery } from '../../shared/session';
import classes from './Card.module.css';
import { Dialog } from './Dialog';
import { type Card, type Mishap, useWayOut, waysOutQuery } from './queries';
import { spoken, stepWords } from './words';

const MISHAPS: Mishap[] = [
  'STRAND_SHORT',
  'PART_FORGOTTEN',
  'PART_BROKEN',
  'COLOUR_WRONG',
  'TENSION_UNEVEN',
  'CORD_DAMAGED',
  'TRIMMED_TOO_EARLY',
];
const OF_STRAND: Mishap[] = ['STRAND_SHORT', 'COLOUR_WRONG', 'CORD_DAMAGED', 'TRIMMED_TOO_EARLY'];
const LONGEST_REASON = 400;

/** What went wrong, and the ways out with what each costs before anything is done. */
export function WentWrong({ card, onClose }: { card: Card; onClose: () => void }) {
  const { t } = useTranslation();
  const [mishap, setMishap] = useState<Mishap>('STRAND_SHORT');
  // What is short is most likely what ties.
  const [strand, setStrand] = useState(card.steps[card.next]?.left[0]?.strand ?? 0);
  const [reason, setReason] = useState('');
  const ways = useQuery(waysOutQuery(card.piece.id, mishap, strand));
  const go = useWayOut(card.piece.id);
  return (
    <Dialog title={t('make.wrong')} close={t('make.wrong.close')} onClose={onClose}>
      <Group grow align="flex-start">
        <NativeSelect
          size="md"
          data-autofocus
          label={t('make.wrong.what')}
          value={mishap}
          onChange={(e) => setMishap(e.currentTarget.value as Mishap)}
          data={MISHAPS.map((value) => ({ value, label: t(`make.wrong.${value}`) }))}
        />
        {OF_STRAND.includes(mishap) && (
          <NativeSelect
            size="md"
            label={t('make.strand')}
            value={strand}
            onChange={(e) => setStrand(Number(e.currentTarget.value))}
            data={card.strands.map((s, i) => ({
              value: String(i),
              label: `${s.letter} · ${s.articleCode}`,
            }))}
          />
        )}
      </Group>
      <Textarea
        size="md"
        rows={2}
        label={t('make.wrong.reason')}
        maxLength={LONGEST_REASON}
        value={reason}
        onChange={(e) => setReason(e.currentTarget.value)}
        error={go.error instanceof ProblemError ? go.error.field('reason') : undefined}
      />
      <Await query={ways}>
        {(all) => (
          <ul className={classes.ways}>
            {all.map((way) => (
              <WayOut
                key={`${way.way} ${way.part ?? ''}`}
                card={card}
                way={way}
                pending={go.isPending}
                disabled={way.way === 'GIVE_UP' && reason.trim() === ''}
                onGo={(parts) =>
                  go.mutate(
                    {
                      mishap,
                      way: way.way,
                      strand,
                      holdingId: way.holdingId,
                      balanceUm: way.balanceUm,
                      reason,
                      part: way.part,
                      parts,
                    },
                    { onSuccess: onClose },
                  )
                }
              />
            ))}
          </ul>
        )}
      </Await>
      <ProblemNote error={go.error} shown={['reason']} />
    </Dialog>
  );
}

interface WayProps {
  card: Card;
  way: Schemas['ChoiceView'];
  pending: boolean;
  disabled: boolean;
  onGo: (parts: Schemas['PartBack'][]) => void;
}

function WayOut({ card, way, pending, disabled, onGo }: WayProps) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const currency = useQuery(sessionQuery).data?.currency ?? 'EUR';
  const back = card.steps[way.backTo];
  const [kept, setKept] = useState<Record<number, number>>({});
  const costs = [
    way.cordUm > 0 &&
      t(way.holding ? 'make.wrong.cord' : 'make.wrong.noCord', {
        length: formatLength(way.cordUm, units, 'cut'),
        holding: way.holding,
      }),
    way.holding && !way.sameLot && t('make.wrong.otherLot'),
    way.part && t('make.wrong.part', { part: partName(t, way.part) }),
    way.cost > 0 && formatMoney(way.cost, currency),
    way.scrapUm > 0 && t('make.wrong.scrap', { length: formatLength(way.scrapUm, units, 'cut') }),
    t(way.way === 'GIVE_UP' ? 'make.wrong.allAgain' : 'make.wrong.minutes', { time: spoken(way.seconds) }),
    way.readyThen &&
      (way.readyThen === way.readyNow
        ? t('make.wrong.sameDay', { day: formatDay(way.readyThen) })
        : t('make.wrong.later', { day: formatDay(way.readyThen) })),
  ].filter((c): c is string => !!c);
  return (
    <li>
      <div>
        <Text fw={650}>{t(`make.wrong.way.${way.way}`)}</Text>
        <Text size="sm">{costs.join(' · ')}</Text>
        {back && way.way !== 'SPLICE' && way.way !== 'GIVE_UP' && (
          <Text size="sm" c="dimmed">
            {t('make.wrong.from', { step: way.backTo + 1, words: stepWords(t, card, back, units) })}
          </Text>
        )}
        {way.parts.length > 0 && (
          <Group gap="sm" mt={6} align="flex-end">
            {way.parts.map((part) => (
              <NumberInput
                key={part.article}
                label={t('make.wrong.back', { part: `${part.articleName} (${part.articleCode})` })}
                description={t('make.wrong.backOf', { count: part.most })}
                min={0}
                max={part.most}
                allowDecimal={false}
                value={kept[part.article] ?? 0}
                onChange={(count) => setKept({ ...kept, [part.article]: Number(count) || 0 })}
              />
            ))}
          </Group>
        )}
      </div>
      <Button
        size="md"
        variant="default"
        loading={pending}
        disabled={!way.possible || disabled}
        onClick={() => onGo(way.parts.map((p) => ({ article: p.article, count: kept[p.article] ?? 0 })))}
      >
        {t('make.wrong.go')}
      </Button>
    </li>
  );
}
