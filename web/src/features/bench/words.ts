import type { TFunction } from 'i18next';
import type { Units } from '../../app/units';
import { formatLength } from '../../shared/format';
import { partName, stitchName } from '../../shared/names';
import type { Card, CardStep } from './queries';

/** Letters of strands as they are said. */
export function letters(card: Card, strands: number[]): string {
  const named = strands.map((i) => card.strands[i]?.letter ?? '');
  return new Intl.ListFormat('en-GB', { type: 'conjunction' }).format(named);
}

const lower = (word: string) => word.charAt(0).toLowerCase() + word.slice(1);

/** A step in one sentence. */
export function stepWords(t: TFunction, card: Card, step: CardStep, units: Units): string {
  const part = step.part ? lower(partName(t, step.part.slot)) : '';
  return t(step.words, {
    strands: letters(card, step.strands),
    part,
    onto: step.part ? t('make.onto.part', { part }) : t('make.onto.strands'),
    count:
      step.doing === 'THREAD' || step.gate === 'PARTS_ON' || step.doing === 'COUNT_KIT'
        ? (step.part?.count ?? 0)
        : step.count,
    beads: step.part?.count ?? 0,
    size: formatLength(step.sizeUm, units, step.doing === 'MARK_FOLD' ? 'cut' : 'cord'),
    stitch: step.stitch ? stitchName(t, step.stitch) : '',
    knot: step.knot ? t(`make.knot.${step.knot}`) : '',
    first: step.repeats?.first ?? 0,
    last: step.repeats?.last ?? 0,
    of: step.repeats?.of ?? 0,
  });
}

/** Seconds as people say them. */
export function spoken(seconds: number): string {
  if (seconds < 60) return `${seconds} s`;
  const minutes = Math.round(seconds / 60);
  return minutes < 90 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`;
}

/** A running clock: minutes and seconds. */
export const clock = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
