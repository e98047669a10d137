import { useTranslation } from 'react-i18next';
import { useUnits } from '../../app/units';
import { formatLength } from '../../shared/format';
import { asAddress } from '../../shared/PiecePicture';
import { PullingNote } from '../../shared/PullingNote';
import { RuledEdge } from '../../shared/RuledEdge';
import classes from './Card.module.css';
import type { Card, CardStep } from './queries';

/** How far along the picture a step ends, in millimetres. */
function endOf(card: Card, step: CardStep | undefined): number {
  const span = step && step.section >= 0 ? card.picture.sections[step.section] : undefined;
  if (!step || !span) return 0;
  return span.fromMm + step.share * (span.toMm - span.fromMm);
}

/** The piece with what is made in full colour, what is being made outlined, the rest pale, and the mark to reach. */
export function MadePicture({ card, at }: { card: Card; at: number }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const { picture, steps } = card;
  const now = steps[at];
  const made = Math.max(0, ...steps.slice(0, at).map((s) => endOf(card, s)));
  const reach = Math.max(made, endOf(card, now));
  const done = at >= steps.length;
  const share = (mm: number) => `${(100 * mm) / picture.widthMm}%`;
  const length = (um: number) => formatLength(um, units, 'body');
  const whole = steps.at(-1)?.reachUm ?? 0;
  return (
    <figure className={classes.picture}>
      {!picture.shortened && <RuledEdge lengthUm={picture.widthMm * 1000} zeroUm={picture.fromMm * 1000} />}
      <div className={classes.plate}>
        <img
          src={`data:image/svg+xml;utf8,${asAddress(picture.svg)}`}
          alt={t('make.picture', {
            pattern: card.piece.patternName,
            reach: length(steps[at - 1]?.reachUm ?? 0),
            whole: length(whole),
          })}
          width={picture.widthMm}
          height={picture.heightMm}
          style={{ aspectRatio: `${picture.widthMm} / ${picture.heightMm}` }}
        />
        {!done && (
          <>
            <div className={classes.veil} style={{ left: share(reach) }} />
            {reach > made && (
              <div className={classes.now} style={{ left: share(made), width: share(reach - made) }} />
            )}
            {now && now.kind === 'TIE' && (
              <div className={classes.reach} style={{ left: share(reach) }}>
                <span>{formatLength(now.reachUm, units, 'cord')}</span>
              </div>
            )}
          </>
        )}
      </div>
      <PullingNote pulling={picture.pulling} />
    </figure>
  );
}
