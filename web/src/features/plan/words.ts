import type { TFunction } from 'i18next';
import type { Schemas } from '../../api/client';
import { formatDay } from '../../shared/format';
import { inMinutes } from '../../shared/risk';
import type { Block } from './board';

/** What made a plan be mended, in words. */
export function happened(t: TFunction, about: Schemas['Happening'][]): string[] {
  return about.map(({ what, name, count }) =>
    t(`days.happened.${what}${name === '' && what === 'CALENDAR' ? '.gone' : ''}`, { name, count }),
  );
}

/** How many pieces are done in a batch of a day; what runs over the night is done when it is. */
export const howMany = (t: TFunction, block: Block) =>
  block.pieces === 0 ? t('days.block.on') : t('days.block.pieces', { count: block.pieces });

/** A batch in one sentence, for whoever hears it and for whoever points at it. */
export function told(t: TFunction, block: Block): string {
  return [
    howMany(t, block),
    block.patterns.join(', '),
    block.cords.map((c) => c.name).join(', '),
    t('days.block.minutes', { time: inMinutes(t, block.seconds) }),
    block.firstDue ? t('plan.firstDue', { day: formatDay(block.firstDue) }) : '',
    t(`days.state.${block.state}`),
    block.late ? t('days.late') : '',
  ]
    .filter((part) => part !== '')
    .join(' · ');
}
