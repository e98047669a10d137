import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { NavLink } from 'react-router';
import { waitingQuery } from '../shared/work';
import classes from './Rail.module.css';

const STAGES = ['today', 'orders', 'plan', 'cut', 'bench', 'finished'] as const;
const STORES = ['patterns', 'stock', 'costs', 'measures', 'workshop'] as const;

/** A cord that ties a knot at each stage of the work, each with what waits there; below, the stores. */
export function Rail({ onGo }: { onGo: () => void }) {
  const { t } = useTranslation();
  const { data } = useQuery(waitingQuery);
  const waits: Partial<Record<(typeof STAGES)[number], number>> = {
    orders: data?.openOrders,
    plan: data?.openPieces,
    cut: data?.batchesToCut,
    bench: data?.piecesToMake,
    finished: data?.ordersToSend,
  };
  return (
    <nav aria-label={t('frame.rail')} className={classes.rail}>
      {STAGES.map((stage, i) => (
        <NavLink key={stage} to={`/${stage}`} onClick={onGo} className={classes.stage}>
          <Knot first={i === 0} last={i === STAGES.length - 1} />
          <span>{t(`nav.${stage}`)}</span>
          {!!waits[stage] && (
            <span className={classes.waits} title={t(`waits.${stage}`, { count: waits[stage] })}>
              {waits[stage]}
              <span className={classes.said}> {t(`waits.${stage}`, { count: waits[stage] })}</span>
            </span>
          )}
        </NavLink>
      ))}
      <div className={classes.gap} />
      {STORES.map((store) => (
        <NavLink key={store} to={`/${store}`} onClick={onGo} className={classes.store}>
          {t(`nav.${store}`)}
        </NavLink>
      ))}
    </nav>
  );
}

/** One overhand in the cord that runs down the rail. */
function Knot({ first, last }: { first: boolean; last: boolean }) {
  return (
    <svg className={classes.knot} viewBox="0 0 28 44" width="28" height="44" aria-hidden="true">
      <g fill="none" stroke="currentColor" strokeWidth="4" strokeLinecap="round">
        {!first && <path d="M14 0v10" />}
        {!last && <path d="M14 34v10" />}
        <path d="M14 10c0 5-8 5-8 12s10 8 13 3" />
        <path d="M14 34c0-5 8-5 8-12s-10-8-13-3" className={classes.over} />
      </g>
    </svg>
  );
}
