import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { formatLength, formatMoney } from '../format';
import { useSession } from '../session';

/** Why a strand is cut as long: how sure its figure is, and what hands change. */
export function StrandNote({
  strand,
  body,
}: {
  strand: Schemas['StrandView'];
  body: Schemas['BodyView'] | undefined;
}) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const { data: session } = useSession();
  const { learned, risk } = strand;
  const percent = (spread: number) => Math.round(spread * 100);
  const margin = risk > 0 ? t('strand.note.margin', { one: Math.round(1 / risk) }) : '';
  if (!learned) {
    return (
      <>
        {margin} {t('strand.note.GEOMETRY', { spread: percent(body?.spread ?? 0.12) })}
      </>
    );
  }
  return (
    <>
      {margin}{' '}
      {[
        t('strand.note.learned'),
        learned.pieces > 0 && t('strand.note.pieces', { count: learned.pieces }),
        learned.pieces > 0 && learned.samples > 0 && t('strand.note.and'),
        learned.samples > 0 && t('strand.note.samples', { count: learned.samples }),
      ]
        .filter(Boolean)
        .join(' ')}
      {': '}
      {t(learned.um < 0 ? 'strand.note.less' : 'strand.note.more', {
        length: formatLength(Math.abs(learned.um), units, 'cord'),
        money: formatMoney(Math.abs(learned.cost), session?.currency ?? 'EUR'),
        spread: percent(learned.spread),
      })}
    </>
  );
}
