import { Button, ColorInput, Group, NativeSelect, Stack, Text, TextInput } from '@mantine/core';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { articlesQuery } from '../../shared/articles';
import { Await, Empty, Page } from '../../shared/Page';
import { RuledEdge } from '../../shared/RuledEdge';
import { ArticleForm } from './ArticleForm';
import { LedgerDrawer } from './LedgerDrawer';
import { wallQuery } from './queries';
import classes from './StockPage.module.css';
import { CordRow, PartBox } from './StockRows';

type Article = Schemas['Article'];

type Holding = Schemas['HoldingView'];

const SORTS = ['NAME', 'COLOUR', 'MATERIAL'] as const;

/** How many holdings of an article hang beside each other before the rest is asked for. */
const SIDE_BY_SIDE = 6;

const ALL_OF_IT = 500;

/** The wall: every holding as a bar under its article; hardware in counted boxes. */
export default function StockPage() {
  const { t } = useTranslation();
  const [address, setAddress] = useSearchParams();
  const filter = {
    query: address.get('query') ?? undefined,
    shelf: address.get('shelf') ?? undefined,
    near: address.get('near') ?? undefined,
    sort: SORTS.find((s) => s === address.get('sort')),
    each: address.has('each') ? ALL_OF_IT : SIDE_BY_SIDE,
  };
  const wall = useInfiniteQuery(wallQuery(filter));
  const all = useQuery(articlesQuery);
  const navigate = useNavigate();
  const [adding, setAdding] = useState(false);
  const set = (changes: Record<string, string>) => {
    const next = new URLSearchParams(address);
    for (const [name, value] of Object.entries(changes)) {
      if (value) next.set(name, value);
      else next.delete(name);
    }
    setAddress(next, { replace: true });
  };
  return (
    <Page
      title={t('nav.stock')}
      actions={
        <>
          <Button variant="default" component={Link} to="/stock/file">
            {t('stock.file')}
          </Button>
          <Button variant="default" onClick={() => setAdding(true)}>
            {t('stock.newArticle')}
          </Button>
          <Button variant="default" component={Link} to="/stock/count">
            {t('stock.count')}
          </Button>
          <Button variant="default" component={Link} to="/stock/buy">
            {t('stock.buy')}
          </Button>
          <Button component={Link} to="/stock/receive">
            {t('stock.receive')}
          </Button>
        </>
      }
    >
      <Group align="flex-end" gap="sm">
        <TextInput
          w={230}
          type="search"
          label={t('stock.find')}
          placeholder={t('stock.search')}
          value={filter.query ?? ''}
          onChange={(e) => set({ query: e.currentTarget.value, each: '' })}
        />
        <TextInput
          w={110}
          label={t('stock.shelf')}
          value={filter.shelf ?? ''}
          onChange={(e) => set({ shelf: e.currentTarget.value })}
        />
        <NativeSelect
          label={t('orders.sort')}
          data={SORTS.map((s) => ({ value: s, label: t(`stock.sort.${s}`) }))}
          value={filter.sort ?? 'NAME'}
          onChange={(e) => set({ sort: e.currentTarget.value === 'NAME' ? '' : e.currentTarget.value })}
        />
        <ColorInput
          w={170}
          label={t('stock.near')}
          placeholder={t('stock.anyColour')}
          format="hex"
          withEyeDropper={false}
          value={filter.near ?? ''}
          onChangeEnd={(near) => set({ near: /^#[0-9a-f]{6}$/i.test(near) ? near : '' })}
          onChange={(near) => near === '' && set({ near: '' })}
        />
      </Group>
      <Await query={wall}>
        {({ pages }) => {
          const articles = pages.flatMap((p) => p.articles);
          if (all.data?.length === 0) {
            return (
              <Empty words={t('stock.none')}>
                <Button onClick={() => setAdding(true)}>{t('stock.newArticle')}</Button>
              </Empty>
            );
          }
          if (articles.length === 0) {
            return (
              <Empty words={t('stock.noneFound')}>
                <Button variant="default" onClick={() => setAddress({}, { replace: true })}>
                  {t('orders.showAll')}
                </Button>
              </Empty>
            );
          }
          return (
            <>
              <Hung
                pages={pages}
                onReceive={(article) => navigate(`/stock/receive?article=${article}`)}
                onAll={(code) => set({ query: code, each: 'all' })}
              />
              <Group justify="space-between">
                <Text size="sm" c="dimmed">
                  {t('stock.shown', { shown: articles.length, count: pages[0]?.total ?? 0 })}
                </Text>
                {wall.hasNextPage && (
                  <Button
                    variant="default"
                    loading={wall.isFetchingNextPage}
                    onClick={() => wall.fetchNextPage()}
                  >
                    {t('orders.more')}
                  </Button>
                )}
              </Group>
            </>
          );
        }}
      </Await>
      <ArticleForm opened={adding} onClose={() => setAdding(false)} />
    </Page>
  );
}

interface HungProps {
  pages: Schemas['WallView'][];
  onReceive: (article: number) => void;
  /** All holdings of one article are wanted. */
  onAll: (code: string) => void;
}

/** The articles that are shown, cord to one scale. */
function Hung({ pages, onReceive, onAll }: HungProps) {
  const [shown, setShown] = useState<{ article: Article; holding: Holding }>();
  const articles = pages.flatMap((p) => p.articles);
  const holdings = pages.flatMap((p) => p.holdings);
  const held = Object.assign({}, ...pages.map((p) => p.held)) as Record<string, number>;
  const promised = new Map(
    pages.flatMap((p) => p.reserved).map((r) => [r.articleId, r.toBatches + r.toOrders]),
  );
  const scale = Math.max(1, ...pages.map((p) => p.longestUm));
  const of = (a: Article) => holdings.filter((h) => h.articleId === a.id);
  const cords = articles.filter((a) => a.kind === 'CORD');
  const parts = articles.filter((a) => a.kind !== 'CORD');
  return (
    <Stack>
      {cords.length > 0 && (
        <div className="panel">
          <div className={classes.row}>
            <span />
            {scale > 1 && <RuledEdge lengthUm={scale} />}
          </div>
          {cords.map((a) => (
            <CordRow
              key={a.id}
              article={a}
              holdings={of(a)}
              held={held[a.id] ?? 0}
              promised={promised.get(a.id) ?? 0}
              scaleUm={scale}
              onShow={(holding) => setShown({ article: a, holding })}
              onReceive={() => onReceive(a.id)}
              onAll={() => onAll(a.code)}
            />
          ))}
        </div>
      )}
      {parts.length > 0 && (
        <div className={classes.boxes}>
          {parts.map((a) => (
            <PartBox
              key={a.id}
              article={a}
              boxes={of(a)}
              promised={promised.get(a.id) ?? 0}
              onShow={(holding) => setShown({ article: a, holding })}
            />
          ))}
        </div>
      )}
      {shown && (
        <LedgerDrawer
          key={shown.holding.id}
          article={articles.find((a) => a.id === shown.article.id) ?? shown.article}
          holding={holdings.find((h) => h.id === shown.holding.id) ?? shown.holding}
          others={of(shown.article)}
          onClose={() => setShown(undefined)}
        />
      )}
    </Stack>
  );
}
