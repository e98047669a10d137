import {
  Button,
  ColorInput,
  Group,
  NativeSelect,
  Stack,
  Text,
  TextInput,
  Title,
  UnstyledButton,
} from '@mantine/core';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { useAmount, usePrice } from '../../shared/amount';
import { articlesQuery } from '../../shared/articles';
import { Length, Money } from '../../shared/Figures';
import { formatLength } from '../../shared/format';
import { Await, Empty, Page } from '../../shared/Page';
import { RuledEdge } from '../../shared/RuledEdge';
import { StrandBar } from '../../shared/StrandBar';
import { Swatch } from '../../shared/Swatch';
import { ArticleForm } from './ArticleForm';
import { LedgerDrawer } from './LedgerDrawer';
import { wallQuery } from './queries';
import classes from './StockPage.module.css';

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

interface BoxProps {
  article: Article;
  boxes: Holding[];
  promised: number;
  onShow: (holding: Holding) => void;
}

/** Parts are counted; each box can be taken out and looked into. */
function PartBox({ article: a, boxes, promised, onShow }: BoxProps) {
  const { t } = useTranslation();
  const amount = useAmount();
  const price = usePrice()(a);
  return (
    <div className={`panel ${classes.box}`}>
      <Link className={classes.link} to={`/stock/articles/${a.code}`}>
        <Group gap="xs" wrap="nowrap">
          <Swatch colour={a.colour} />
          <Text fw={600} truncate>
            {a.name}
          </Text>
          <span className="figure">{a.code}</span>
        </Group>
        <Text size="sm">
          {amount(a.onHand, a.unit)}
          {promised > 0 && ` (${t('stock.promised', { amount: amount(promised, a.unit) })})`} ·{' '}
          <Money value={price.value} /> {price.per}
        </Text>
        <Text size="sm" c="dimmed">
          {t(`kind.${a.kind}`)}
          {a.holeUm !== undefined && (
            <>
              {', '}
              {t('stock.hole')} <Length um={a.holeUm} kind="part" />
            </>
          )}
          {a.innerWidthUm !== undefined && (
            <>
              {', '}
              {t('stock.inside')} <Length um={a.innerWidthUm} kind="part" />
            </>
          )}
        </Text>
      </Link>
      <Group gap={6} mt={4}>
        {boxes.map((h) => (
          <Button
            key={h.id}
            size="compact-xs"
            variant="default"
            onClick={() => onShow(h)}
            aria-label={t('stock.holdingLabel', { kind: t(`holding.${h.kind}`), label: h.label, lot: h.lot })}
          >
            {h.label}: {a.unit === 'PIECE' ? h.quantity : amount(h.quantity, a.unit)}
            {h.shelf && ` · ${h.shelf}`}
          </Button>
        ))}
      </Group>
    </div>
  );
}

interface RowProps {
  article: Article;
  holdings: Holding[];
  promised: number;
  scaleUm: number;
  /** How many holdings there are, shown or not. */
  held: number;
  onShow: (holding: Holding) => void;
  onReceive: () => void;
  onAll: () => void;
}

function CordRow({ article, holdings, promised, scaleUm, held, onShow, onReceive, onAll }: RowProps) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const price = usePrice()(article);
  return (
    <section className={classes.row}>
      <div className={classes.name}>
        <Group gap={6} wrap="nowrap">
          <Swatch colour={article.colour} />
          <Title order={2} size="sm" component="h2">
            <Link className={classes.link} to={`/stock/articles/${article.code}`}>
              {article.name}
            </Link>
          </Title>
          {article.diameterUm !== undefined && (
            <Text size="xs" c="dimmed">
              <Length um={article.diameterUm} kind="part" />
            </Text>
          )}
        </Group>
        <Text size="xs" c="dimmed">
          <Length um={article.onHand} kind="stock" />
          {price.value > 0 && (
            <>
              {' '}
              · <Money value={price.value} /> {price.per}
            </>
          )}
        </Text>
        {promised > 0 && (
          <Text size="xs" c={promised > article.onHand ? 'var(--act)' : 'dimmed'}>
            {t('stock.promised', { amount: formatLength(promised, units, 'stock') })}
          </Text>
        )}
      </div>
      <Stack gap={3}>
        {holdings.length === 0 && (
          <Group gap="xs">
            <Text size="sm" c="var(--act)">
              {t('stock.empty')}
            </Text>
            <Button size="compact-xs" variant="default" onClick={onReceive}>
              {t('stock.receive')}
            </Button>
          </Group>
        )}
        {holdings.map((h) => (
          <UnstyledButton
            key={h.id}
            className={classes.holding}
            onClick={() => onShow(h)}
            aria-label={t('stock.holdingLabel', { kind: t(`holding.${h.kind}`), label: h.label, lot: h.lot })}
          >
            <StrandBar
              code={article.code}
              colour={article.colour}
              scaleUm={scaleUm}
              height={18}
              flawsUm={h.flawsUm}
              joinsUm={h.joinsUm}
              stretches={[
                ...(h.plannedUm > 0
                  ? [
                      {
                        um: Math.min(h.plannedUm, h.quantity),
                        kind: 'tail' as const,
                        label: t('stock.plannedCut'),
                      },
                    ]
                  : []),
                {
                  um: Math.max(0, h.quantity - h.plannedUm),
                  kind: 'used',
                  label: `${t(`holding.${h.kind}`)} ${h.label}`,
                },
              ]}
            />
            <Text size="xs" c="dimmed" className={classes.caption}>
              {h.label} · {h.lot}
              {h.measuredUm !== undefined && (
                <>
                  {' '}
                  (<Length um={h.measuredUm} kind="part" />)
                </>
              )}{' '}
              · {h.shelf || '–'}
              {h.openedAt === undefined && ` · ${t('stock.sealed')}`} ·{' '}
              <Length um={h.quantity} kind="stock" />
            </Text>
          </UnstyledButton>
        ))}
        {held > holdings.length && (
          <Group>
            <Button size="compact-xs" variant="default" onClick={onAll}>
              {t('stock.allHoldings', { count: held })}
            </Button>
          </Group>
        )}
      </Stack>
    </section>
  );
}
