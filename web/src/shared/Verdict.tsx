import { useTranslation } from 'react-i18next';
import type { Schemas } from '../api/client';
import classes from './Verdict.module.css';

type Word = Schemas['PieceView']['verdict'];

const GLYPHS: Record<Word, string> = {
  GOOD: 'M2 6.5 5 9.5 10 3',
  TIGHT: 'M1 4.5c2-2 3 2 5 0s3 0 5 0M1 8.5c2-2 3 2 5 0s3 0 5 0',
  NO: 'M2.5 2.5l7 7M9.5 2.5l-7 7',
  UNKNOWN: 'M3.5 4.2c0-3 5-3 5 0 0 2-2.5 2-2.5 3.6M6 10.6v.2',
};

/** A judgement, always as word, glyph and tone together. */
export function Verdict({ word }: { word: Word }) {
  const { t } = useTranslation();
  return (
    <span className={`${classes.verdict} ${classes[word]}`}>
      <svg viewBox="0 0 12 12" width="12" height="12" aria-hidden="true">
        <path d={GLYPHS[word]} fill="none" stroke="currentColor" strokeWidth="2" strokeLinecap="round" />
      </svg>
      {t(`verdict.${word}`)}
    </span>
  );
}
