import { useTranslation } from 'react-i18next';
import { useUnits } from '../app/units';
import { formatLength } from './format';
import classes from './StrandBar.module.css';

export interface Stretch {
  um: number;
  /** What the stretch is: cord that is used, a tail, cord that stays, or cord that is thrown away. */
  kind: 'used' | 'tail' | 'rest' | 'bin';
  label?: string;
  /** Marked as the one that is next. */
  current?: boolean;
}

interface Props {
  code: string;
  colour: string;
  stretches: Stretch[];
  /** What the whole width stands for; the bar's own length where it is missing. */
  scaleUm?: number;
  foldUm?: number;
  flawsUm?: number[];
  joinsUm?: number[];
  height?: number;
}

/** Share of the width below which the code stands beside the bar instead of on it. */
const SHORT_BAR = 0.3;

/** A length of cord as a bar in its colour, to scale; what it shows is also said as text. */
export function StrandBar({
  code,
  colour,
  stretches,
  scaleUm,
  foldUm,
  flawsUm = [],
  joinsUm = [],
  height = 22,
}: Props) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const total = stretches.reduce((sum, s) => sum + s.um, 0);
  const scale = Math.max(scaleUm ?? total, 1);
  const percent = (um: number) => `${(um / scale) * 100}%`;
  const said = stretches
    .map((s) => `${s.label ?? t(`strandBar.${s.kind}`)} ${formatLength(s.um, units)}`)
    .join(', ');
  return (
    <div
      className={classes.track}
      style={{ height }}
      role="img"
      aria-label={t('strandBar.said', { code, total: formatLength(total, units), said })}
    >
      <div className={classes.bar} style={{ width: percent(total), ['--cord' as string]: colour }}>
        {stretches.map((s, i) => (
          <span
            key={i}
            className={`${classes.stretch} ${classes[s.kind]} ${s.current ? classes.current : ''}`}
            style={{ width: `${(s.um / Math.max(total, 1)) * 100}%` }}
            title={`${s.label ?? t(`strandBar.${s.kind}`)} · ${formatLength(s.um, units)}`}
          />
        ))}
      </div>
      <span
        className={classes.code}
        style={{ left: total / scale < SHORT_BAR ? `calc(${percent(total)} + 6px)` : 7 }}
      >
        {code}
      </span>
      {foldUm !== undefined && (
        <span className={classes.fold} style={{ left: percent(foldUm) }} title={t('strandBar.fold')} />
      )}
      {flawsUm.map((at) => (
        <span key={at} className={classes.flaw} style={{ left: percent(at) }} title={t('strandBar.flaw')} />
      ))}
      {joinsUm.map((at) => (
        <span key={at} className={classes.join} style={{ left: percent(at) }} title={t('strandBar.join')} />
      ))}
    </div>
  );
}
