import { Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import classes from './Card.module.css';
import type { Card } from './queries';

/** Which leg lies where in the body that is worked on, from left to right. */
export function Places({ card, section }: { card: Card; section: number }) {
  const { t } = useTranslation();
  const body = card.bodies.find((b) => b.section === section);
  if (!body || body.places.length < 2) return null;
  return (
    <div>
      <Text size="sm" c="dimmed" mb={4}>
        {t('make.places')}
      </Text>
      <ol className={classes.places}>
        {body.places.map((p, i) => {
          const strand = card.strands[p.strand];
          return (
            <li key={i}>
              <b>{strand?.letter}</b>{' '}
              <span className={classes.chip} style={{ background: strand?.colour }} aria-hidden="true" />
              {strand?.mark?.kind === 'SHORT_LEG' && (
                <Text size="xs">{t(p.leg === 0 ? 'make.leg.short' : 'make.leg.long')}</Text>
              )}
            </li>
          );
        })}
      </ol>
    </div>
  );
}
