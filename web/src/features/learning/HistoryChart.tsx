import { Text } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import type { Schemas } from '../../api/client';
import { change, formatDay } from '../../shared/format';
import classes from './HistoryChart.module.css';

type Moment = Schemas['MomentView'] & {
  at: number;
  range: [number, number];
  /** Figures that are not learned from are drawn apart. */
  doubted?: number;
  taken?: number;
};

const moments = (rows: Schemas['MomentView'][]): Moment[] =>
  rows.map((row, i) => ({
    ...row,
    at: i + 1,
    range: [row.low, row.high],
    [row.outcome === 'DOUBTED' ? 'doubted' : 'taken']: row.seen,
  }));

const EDGE = 0.04;

/** Round changes, a handful of them. */
function ticks(low: number, high: number): number[] {
  const step = high - low > 0.6 ? 0.2 : high - low > 0.3 ? 0.1 : 0.05;
  const first = Math.ceil((low - 1) / step);
  const last = Math.floor((high - 1) / step);
  return Array.from({ length: last - first + 1 }, (_, i) => 1 + (first + i) * step);
}

/** How what is believed went: the line with its range, and each measurement as a point. */
export function HistoryChart({ name, rows }: { name: string; rows: Schemas['MomentView'][] }) {
  const { t } = useTranslation();
  const data = moments(rows);
  const day = (at: number) => (data[at - 1] ? formatDay(data[at - 1]?.day ?? '') : '');
  const last = data.at(-1);
  const seen = data.flatMap((m) => (m.taken === undefined ? [] : [m.taken]));
  const lowest = Math.min(0.95, ...data.map((m) => m.low), ...seen);
  const highest = Math.max(1.05, ...data.map((m) => m.high), ...seen);
  // No point is cut by the edge.
  const low = lowest - EDGE * (highest - lowest);
  const high = highest + EDGE * (highest - lowest);
  return (
    <div
      className={classes.chart}
      role="img"
      aria-label={t('learned.chart', { name, count: data.length, change: last ? change(last.factor) : '' })}
    >
      <ResponsiveContainer>
        <ComposedChart data={data} margin={{ top: 8, right: 12, bottom: 4, left: 4 }}>
          <CartesianGrid vertical={false} stroke="var(--mantine-color-default-border)" />
          <XAxis
            dataKey="at"
            type="number"
            domain={[1, Math.max(2, data.length)]}
            allowDecimals={false}
            tickFormatter={day}
            minTickGap={60}
          />
          <YAxis
            domain={[low, high]}
            ticks={ticks(low, high)}
            tickFormatter={change}
            width={64}
            allowDataOverflow
          />
          <ReferenceLine y={1} stroke="var(--mantine-color-dimmed)" strokeDasharray="4 4" />
          <Area
            dataKey="range"
            stroke="none"
            fill="var(--mantine-color-board-4)"
            fillOpacity={0.25}
            isAnimationActive={false}
          />
          <Line
            dataKey="factor"
            stroke="var(--mantine-color-board-5)"
            strokeWidth={2}
            dot={false}
            isAnimationActive={false}
          />
          <Scatter dataKey="taken" fill="var(--mantine-color-slate-5)" isAnimationActive={false} />
          <Scatter
            dataKey="doubted"
            fill="var(--mantine-color-coral-5)"
            shape="cross"
            isAnimationActive={false}
          />
          <Tooltip
            content={({ payload }) => <Words moment={payload?.[0]?.payload as Moment | undefined} />}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
}

function Words({ moment }: { moment: Moment | undefined }) {
  const { t } = useTranslation();
  if (!moment) return null;
  return (
    <div className={classes.words}>
      <Text size="sm" fw={600}>
        {formatDay(moment.day)}
      </Text>
      <Text size="sm">{t('learned.measured', { change: change(moment.seen) })}</Text>
      <Text size="sm">
        {t('learned.believed', {
          change: change(moment.factor),
          low: change(moment.low),
          high: change(moment.high),
        })}
      </Text>
    </div>
  );
}
