import type { TFunction } from 'i18next';
import type { Schemas } from '../../api/client';
import { formatTime } from '../../shared/format';

/** Where the pieces of an order, or of a line, stand on their way out. */
export function standWords(t: TFunction, onward: Schemas['OnwardView']): string {
  const said = [t('finished.here', { count: onward.here })];
  if (onward.sent > 0) said.push(t('finished.sent', { count: onward.sent }));
  if (onward.missing > 0) said.push(t('finished.missing', { count: onward.missing }));
  if (onward.dryUntil) {
    said.push(t('finished.drying', { count: onward.drying, when: formatTime(onward.dryUntil) }));
  }
  return said.join(' · ');
}
