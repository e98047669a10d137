import { Button, Group, Stack, Text, TextInput, Title, UnstyledButton } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Length, Money } from '../../shared/Figures';
import { formatLength, pricePerStockUnit } from '../../shared/format';
import { Await, Empty, Page } from '../../shared/Page';
import { RuledEdge } from '../../shared/RuledEdge';
import { StrandBar } from '../../shared/StrandBar';
import { Swatch } from '../../shared/Swatch';
import { ArticleForm } from './ArticleForm';
import { LedgerDrawer } from './LedgerDrawer';
import { wallQuery } from './queries';
import { ReceiveForm } from './ReceiveForm';
import classes from './StockPage.module.css';

type Article = Schemas['Article'];
type Holding = Schemas['HoldingView'];

/** The wall: every holding as a bar under its article; hardware in counted boxes. */
export default function StockPage() {
  const { t } = useTranslation();
  const wall = useQuery(wallQuery);
  const [address, setAddress] = useSearchParams();
  const query = (address.get('query') ?? '').toLowerCase();
  const [receiving, setReceiving] = useState<number | true>();
  const [adding, setAdding] = useState(false);
  const [shown, setShown] = useState<{ article: Article; holding?: Holding }>();
  return (
    <Page
      title={t('nav.stock')}
      actions={
        <>
          <Button variant="default" component="a" href="/api/stock/ledger.csv" download>
            {t('stock.ledgerCsv')}
          </Button>
          <Button variant="default" onClick={() => setAdding(true)}>
            {t('stock.newArticle')}
          </Button>
          <Button onClick={() => setReceiving(true)}>{t('stock.receive')}</Button>
        </>
      }
    >
      <Await query={wall}>
        {({ articles, holdings, reserved }) => {
          if (articles.length === 0) {
            return (
              <Empty words={t('stock.none')}>
                <Button onClick={() => setAdding(true)}>{t('stock.newArticle')}</Button>
              </Empty>
            );
          }
          const found = articles.filter((a) =>
            `${a.code} ${a.name} ${a.material ?? ''}`.toLowerCase().includes(query),
          );
          const cords = found.filter((a) => a.kind === 'CORD');
          const parts = found.filter((a) => a.kind !== 'CORD');
          const scale = Math.max(1, ...holdings.filter((h) => h.kind !== 'BOX').map((h) => h.fullQuantity));
          const of = (a: Article) => holdings.filter((h) => h.articleId === a.id);
          const promised = new Map(reserved.map((r) => [r.articleId, r.toBatches + r.toOrders]));
          return (
            <Stack>
              <TextInput
                w={260}
                type="search"
                placeholder={t('stock.search')}
                aria-label={t('stock.search')}
                value={address.get('query') ?? ''}
                onChange={(e) =>
                  setAddress(e.currentTarget.value ? { query: e.currentTarget.value } : {}, { replace: true })
                }
              />
              {found.length === 0 && <Text>{t('stock.noneFound')}</Text>}
              {cords.length > 0 && (
                <div className="panel">
                  <div className={classes.row}>
                    <span />
                    <RuledEdge lengthUm={scale} />
                  </div>
                  {cords.map((a) => (
                    <CordRow
                      key={a.id}
                      article={a}
                      holdings={of(a)}
                      promised={promised.get(a.id) ?? 0}
                      scaleUm={scale}
                      onShow={(holding) => setShown({ article: a, holding })}
                      onReceive={() => setReceiving(a.id)}
                    />
                  ))}
                </div>
              )}
              {parts.length > 0 && (
                <div className={classes.boxes}>
                  {parts.map((a) => (
                    <UnstyledButton
                      key={a.id}
                      className={`panel ${classes.box}`}
                      onClick={() => setShown({ article: a })}
                    >
                      <Group gap="xs" wrap="nowrap">
                        <Swatch colour={a.colour} />
                        <Text fw={600} truncate>
                          {a.name}
                        </Text>
                        <span className="figure">{a.code}</span>
                      </Group>
                      <Text size="sm">
                        {t('article.pieces', { count: a.onHand })}
                        {promised.has(a.id) && ` (${t('stock.promised', { amount: promised.get(a.id) })})`} ·{' '}
                        <Money value={a.unitPrice} /> {t('stock.each')}
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
                    </UnstyledButton>
                  ))}
                </div>
              )}
              <ReceiveForm
                key={String(receiving)}
                opened={receiving !== undefined}
                article={receiving === true ? undefined : receiving}
                articles={articles}
                onClose={() => setReceiving(undefined)}
              />
              {shown && (
                <LedgerDrawer
                  key={`${shown.article.id}/${shown.holding?.id}`}
                  article={articles.find((a) => a.id === shown.article.id) ?? shown.article}
                  holding={
                    shown.holding && (holdings.find((h) => h.id === shown.holding?.id) ?? shown.holding)
                  }
                  others={of(shown.article)}
                  onClose={() => setShown(undefined)}
                />
              )}
            </Stack>
          );
        }}
      </Await>
      <ArticleForm opened={adding} onClose={() => setAdding(false)} />
    </Page>
  );
}

interface RowProps {
  article: Article;
  holdings: Holding[];
  promised: number;
  scaleUm: number;
  onShow: (holding?: Holding) => void;
  onReceive: () => void;
}

function CordRow({ article, holdings, promised, scaleUm, onShow, onReceive }: RowProps) {
  const { t } = useTranslation();
  const { units } = useUnits();
  return (
    <section className={classes.row}>
      <div className={classes.name}>
        <Group gap={6} wrap="nowrap">
          <Swatch colour={article.colour} />
          <Title order={2} size="sm" component="h2">
            <UnstyledButton onClick={() => onShow()} fw={650} fz="sm">
              {article.name}
            </UnstyledButton>
          </Title>
          {article.diameterUm !== undefined && (
            <Text size="xs" c="dimmed">
              <Length um={article.diameterUm} kind="part" />
            </Text>
          )}
        </Group>
        <Text size="xs" c="dimmed">
          <Length um={article.onHand} kind="stock" /> ·{' '}
          <Money value={pricePerStockUnit(article.unitPrice, units)} /> {t(`stock.per.${units}`)}
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
              · {h.shelf || '–'} · <Length um={h.quantity} kind="stock" />
            </Text>
          </UnstyledButton>
        ))}
      </Stack>
    </section>
  );
}
