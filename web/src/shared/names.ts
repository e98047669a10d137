import type { TFunction } from 'i18next';

/** Names that a pattern gives its strands and parts are its own words; those that Restis knows have a translation. */
function own(t: TFunction, key: string, word: string): string {
  return t(key, { defaultValue: word.charAt(0).toUpperCase() + word.slice(1) });
}

export const strandName = (t: TFunction, role: string, number?: number): string =>
  number === undefined ? own(t, `role.${role}`, role) : `${own(t, `role.${role}`, role)} ${number}`;

export const stitchName = (t: TFunction, code: string): string =>
  code.startsWith('own:')
    ? own(t, `stitch.${code}`, code.slice(4).replaceAll('-', ' '))
    : t(`stitch.${code}`);

export const cordName = (t: TFunction, slot: string): string => own(t, `cord.${slot}`, slot);

export const partName = (t: TFunction, slot: string): string => own(t, `part.${slot}`, slot);
