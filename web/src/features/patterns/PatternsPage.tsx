import { Button, Group, Select, Text, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Length } from '../../shared/Figures';
import { formatLength } from '../../shared/format';
import { stitchName } from '../../shared/names';
import { Await, Empty, Page } from '../../shared/Page';
import { patternsQuery } from '../../shared/piece/queries';
import classes from './PatternsPage.module.css';

type Pattern = Schemas['PatternView'];

const FILTERS = ['kind', 'closure', 'gauge', 'stitch', 'width', 'time'] as const;
/** Upper ends of the classes that widths and times are put in; what is above the last is in a class of its own. */
const WIDTHS_UM = [5_000, 8_000, 12_000, 20_000];
const MINUTES = [15, 30, 45, 60];

/** The class of a value: its upper end, or "more". */
const classOf = (value: number, ends: number[]): string => String(ends.find((end) => value <= end) ?? 'more');
const isMore = (value: string) => value === 'more';
const NUMERIC: ReadonlySet<string> = new Set(['gauge', 'width', 'time']);
const rank = (value: string) => (isMore(value) ? Number.POSITIVE_INFINITY : Number(value));

/** The book: every pattern with its picture, to be found by what it is, how it closes and what it is made of. */
export default function PatternsPage() {
  const { t } = useTranslation();
  const { units } = useUnits();
  const patterns = useQuery(patternsQuery);
  const [search, setSearch] = useSearchParams();
  const set = (name: string, value: string | null) =>
    setSearch(
      (before) => {
        const next = new URLSearchParams(before);
        if (value) next.set(name, value);
        else next.delete(name);
        return next;
      },
      { replace: true },
    );
  const values = (pattern: Pattern, filter: (typeof FILTERS)[number]): string[] =>
    ({
      kind: [pattern.kind],
      closure: [pattern.closure],
      gauge: pattern.cords.map((c) => String(c.gaugeUm)),
      stitch: pattern.stitches,
      width: [classOf(pattern.widthUm, WIDTHS_UM)],
      time: [classOf(pattern.minutes, MINUTES)],
    })[filter];
  const word = (filter: (typeof FILTERS)[number], value: string) =>
    ({
      kind: () => t(`patternKind.${value}`),
      closure: () => t(`closure.${value}`),
      gauge: () => formatLength(Number(value), units, 'part'),
      stitch: () => stitchName(t, value),
      width: () =>
        isMore(value)
          ? t('patterns.over', { end: formatLength(Math.max(...WIDTHS_UM), units, 'part') })
          : t('patterns.upTo', { end: formatLength(Number(value), units, 'part') }),
      time: () =>
        isMore(value)
          ? t('patterns.over', { end: t('patterns.minutes', { count: Math.max(...MINUTES) }) })
          : t('patterns.upTo', { end: t('patterns.minutes', { count: Number(value) }) }),
    })[filter]();
  const words = (search.get('q') ?? '').toLowerCase();
  return (
    <Page
      title={t('nav.patterns')}
      actions={
        <>
          <Button component={Link} to="/patterns/stitches" variant="default">
            {t('stitches.title')}
          </Button>
          <Button component={Link} to="/patterns/read" variant="default">
            {t('patterns.read')}
          </Button>
          <Button component={Link} to="/patterns/new">
            {t('patterns.new')}
          </Button>
        </>
      }
    >
      <Await query={patterns}>
        {(all) => {
          const found = all.filter(
            (p) =>
              p.name.toLowerCase().includes(words) &&
              FILTERS.every((f) => !search.get(f) || values(p, f).includes(search.get(f) ?? '')),
          );
          return (
            <>
              <Group gap="sm" align="flex-end">
                <TextInput
                  label={t('patterns.search')}
                  value={search.get('q') ?? ''}
                  onChange={(e) => set('q', e.currentTarget.value)}
                  w={150}
                />
                {FILTERS.map((filter) => (
                  <Select
                    key={filter}
                    label={t(`patterns.filter.${filter}`)}
                    placeholder={t('patterns.any')}
                    clearable
                    w={NUMERIC.has(filter) ? 108 : 132}
                    value={search.get(filter)}
                    onChange={(value) => set(filter, value)}
                    data={[...new Set(all.flatMap((p) => values(p, filter)))]
                      .sort((a, b) => (NUMERIC.has(filter) ? rank(a) - rank(b) : 0))
                      .map((value) => ({ value, label: word(filter, value) }))}
                  />
                ))}
                <Text size="sm" c="dimmed" pb={8} style={{ whiteSpace: 'nowrap' }}>
                  {t('patterns.count', { count: found.length })}
                </Text>
              </Group>
              {found.length === 0 ? (
                <Empty words={t('patterns.none')}>
                  <Button variant="default" onClick={() => setSearch({}, { replace: true })}>
                    {t('patterns.all')}
                  </Button>
                </Empty>
              ) : (
                <div className={classes.book}>
                  {found.map((p) => (
                    <Link key={p.code} to={`/patterns/${p.code}`} className={`panel ${classes.card}`}>
                      <img
                        className={classes.plate}
                        src={`/api/patterns/${p.code}/card.svg?v=${p.version}`}
                        alt=""
                        loading="lazy"
                        width={280}
                        height={92}
                      />
                      <Text fw={600}>{p.name}</Text>
                      <Text size="sm" c="dimmed">
                        {t(`closure.${p.closure}`)} · <Length um={p.widthUm} kind="part" />{' '}
                        {t('patterns.wide')} · {t('patterns.strands', { count: p.strands })} ·{' '}
                        {t('patterns.about', { count: p.minutes })}
                        {!p.shipped && ` · ${t('patterns.own', { version: p.version })}`}
                      </Text>
                    </Link>
                  ))}
                </div>
              )}
            </>
          );
        }}
      </Await>
    </Page>
  );
}
