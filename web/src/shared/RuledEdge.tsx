import { useElementSize } from '@mantine/hooks';
import { useUnits } from '../app/units';
import classes from './RuledEdge.module.css';

const SHORT = {
  METRIC: { unit: 10_000, name: 'cm', steps: [0.5, 1, 2, 5, 10, 20, 50] },
  IMPERIAL: { unit: 25_400, name: 'in', steps: [0.25, 0.5, 1, 2, 3, 6, 12] },
};
const LONG = {
  METRIC: { unit: 1_000_000, name: 'm', steps: [0.25, 0.5, 1, 2, 5, 10, 20, 50, 100, 200] },
  IMPERIAL: { unit: 304_800, name: 'ft', steps: [1, 2, 5, 10, 20, 50, 100, 200, 500] },
};
const LONG_FROM_UM = 3_000_000;
/** What a label takes, and how many there are before its width is known. */
const LABEL_PX = 58;
const USUAL_LABELS = 14;

/**
 * A thin ruler along the top edge of a panel, in the user's unit, at the scale of what is drawn under it.
 *
 * @param lengthUm what the whole width stands for
 * @param zeroUm where on the width the ruler starts to count
 */
export function RuledEdge({ lengthUm, zeroUm = 0 }: { lengthUm: number; zeroUm?: number }) {
  const { units } = useUnits();
  const { ref, width } = useElementSize();
  const most = width > 0 ? Math.min(USUAL_LABELS, Math.max(2, width / LABEL_PX)) : USUAL_LABELS;
  const { unit, name, steps } = (lengthUm >= LONG_FROM_UM ? LONG : SHORT)[units];
  const step = (steps.find((s) => lengthUm / (s * unit) <= most) ?? 2000) * unit;
  const ticks = [];
  for (let at = zeroUm; at <= lengthUm; at += step / 2) ticks.push(at);
  return (
    <div className={classes.ruler} aria-hidden="true" ref={ref}>
      {ticks.map((at, i) => {
        const major = i % 2 === 0;
        const left = (at / lengthUm) * 100;
        return (
          <span key={at} className={major ? classes.major : classes.minor} style={{ left: `${left}%` }}>
            {major && left < 95 && (
              <span className={classes.label}>
                {Number(((at - zeroUm) / unit).toFixed(2))}
                {i === 0 && ` ${name}`}
              </span>
            )}
          </span>
        );
      })}
    </div>
  );
}
