import type { TFunction } from 'i18next';
import type { Estimate } from './queries';

type Named = Pick<Estimate, 'kind' | 'what' | 'path' | 'maker' | 'material'>;

const TIE = 'TIE ';
const KNOTS = 'knots';
const ANYBODY = '?';

/** A stitch or a kind of work in words. */
export function workName(what: string, t: TFunction): string {
  if (what === KNOTS) return t('learned.knots');
  if (what.startsWith(TIE)) return t('learned.tying', { stitch: t(`stitch.${what.slice(TIE.length)}`) });
  const work = t(`learned.work.${what}`, { defaultValue: '' });
  return work || t(`stitch.${what}`);
}

/** What is believed of, in words. */
export function featureName(of: Named, material: (code: string) => string, t: TFunction): string {
  const maker = of.maker === ANYBODY ? t('learned.anybody') : of.maker;
  switch (of.kind) {
    case 'STITCH':
    case 'WORK':
      return workName(of.what, t);
    case 'PATH':
      return of.what === KNOTS
        ? t(`term.${of.path}`)
        : t('learned.pathOf', { stitch: workName(of.what, t), path: t(`seat.${of.path}`) });
    case 'MAKER':
      return maker;
    case 'WAY':
      return t('learned.wayOf', { maker, what: workName(of.what, t) });
    case 'MATERIAL':
      return material(of.material);
    default:
      return t(`learned.${of.kind}`);
  }
}
