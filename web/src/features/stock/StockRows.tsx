import { Button, Group, Stack, Text, Title, UnstyledButton } from '@mantine/core';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { useAmount, usePrice } from '../../shared/amount';
import { Length, Money } from '../../shared/Figures';
import { formatLength } from '../../shared/format';
import { StrandBar } from '../../shared/StrandBar';
import { Swatch } from '../../shared/Swatch';
import classes from './StockPage.module.css';

type Article = Schemas['Article'];
type Holding = Schemas['HoldingView'];

interface BoxProps {
  article: Article;
  boxes: Holding[];
  promised: number;
  onShow: (holding: Holding) => void;
}

/** Parts are counted; each box can be taken out and looked into. */
export function PartBox({ article: a, boxes, promised, onShow }: BoxProps) {
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

export function CordRow({ article, holdings, promised, scaleUm, held, onShow, onReceive, onAll }: RowProps) {
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
