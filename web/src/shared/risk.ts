import type { TFunction } from 'i18next';

/** Below that it is not worth a figure. */
const HARDLY = 0.02;
/** From here on it is said without being asked. */
export const ENDANGERED = 0.1;
const RATHER = 0.5;
const SURELY = 0.98;

/** How likely something is late, as people say it. */
export function lateWords(t: TFunction, chance: number): string {
  if (chance < HARDLY) return t('risk.hardly');
  if (chance >= SURELY) return t('risk.surely');
  if (chance > RATHER) return t('risk.rather', { of: Math.max(2, Math.round(1 / (1 - chance))) });
  return t('risk.oneIn', { of: Math.max(2, Math.round(1 / chance)) });
}

/** Seconds as a clock has them, where there is little room. */
export function asClock(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
}

/** Seconds as hours and minutes. */
export function inMinutes(t: TFunction, seconds: number): string {
  const minutes = Math.round(seconds / 60);
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  if (hours === 0) return t('time.minutes', { minutes });
  return rest === 0 ? t('time.hours', { hours }) : t('time.both', { hours, minutes: rest });
}
