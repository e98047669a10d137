import { useEffect, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { useUnits } from '../../app/units';
import classes from './Card.module.css';
import type { Card } from './queries';
import { stepWords } from './words';

/** All steps of a card, with how far it is. */
export function StepList({ card, at }: { card: Card; at: number }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    const now = list.current?.children[Math.max(0, at - 1)] as HTMLElement | undefined;
    if (list.current && now) list.current.scrollTop = now.offsetTop - list.current.offsetTop;
  }, [at]);
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by keyboard
    <ol className={classes.steps} ref={list} aria-label={t('make.steps')} tabIndex={0}>
      {card.steps.map((step, i) => (
        <li
          key={i}
          aria-current={i === at ? 'step' : undefined}
          className={i < at ? classes.behind : undefined}
        >
          <span aria-hidden="true">{i < at ? '✓' : i + 1}</span>
          <span>
            {step.kind === 'GATE' || step.kind === 'CHECK' ? `${t(`make.kind.${step.kind}`)}: ` : ''}
            {stepWords(t, card, step, units)}
          </span>
        </li>
      ))}
    </ol>
  );
}
