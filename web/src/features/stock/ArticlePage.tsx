import { Anchor, Button, Group, Table, Text } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { usePrice } from '../../shared/amount';
import { Length, Money } from '../../shared/Figures';
import { formatDay } from '../../shared/format';
import { Await, Page } from '../../shared/Page';
import { materialsQuery } from '../../shared/piece/queries';
import { Swatch } from '../../shared/Swatch';
import { Fits } from './ArticleFits';
import { ArticleForm } from './ArticleForm';
import { PutUps } from './ArticlePutUps';
import { Section, useCardAmount } from './ArticleSection';
import { Density } from './Density';
import { LedgerDrawer } from './LedgerDrawer';
import { cardQuery } from './queries';
import classes from './Supplies.module.css';

type Card = Schemas['CardView'];

/** Everything that is known of one article. */
export default function ArticlePage() {
  const { t } = useTranslation();
  const { code = '' } = useParams();
  const card = useQuery(cardQuery(code));
  const [ledger, setLedger] = useState(false);
  const [changing, setChanging] = useState(false);
  const article = card.data?.article;
  return (
    <Page
      title={article ? `${article.name} (${article.code})` : code}
      actions={
        <>
          <Button component={Link} to="/stock" variant="default">
            {t('receive.wall')}
          </Button>
          {article && (
            <>
              <Button variant="default" onClick={() => setChanging(true)}>
                {t('articleForm.change')}
              </Button>
              <Button variant="default" onClick={() => setLedger(true)}>
                {t('card.ledger')}
              </Button>
              <Button component={Link} to={`/stock/receive?article=${article.id}`}>
                {t('stock.receive')}
              </Button>
            </>
          )}
        </>
      }
    >
      <Await query={card}>
        {(c) => (
          <>
            <Facts card={c} />
            <div className={classes.columns}>
              <PutUps card={c} />
              <Lots card={c} />
              <Promised card={c} />
              {c.article.kind === 'CONSUMABLE' ? <Uses card={c} /> : <Fits card={c} />}
              {c.article.kind === 'CORD' && <Density card={c} />}
            </div>
            <ArticleForm card={c} opened={changing} onClose={() => setChanging(false)} />
            {ledger && <LedgerDrawer article={c.article} others={[]} onClose={() => setLedger(false)} />}
          </>
        )}
      </Await>
    </Page>
  );
}

function Facts({ card }: { card: Card }) {
  const { t } = useTranslation();
  const materials = useQuery(materialsQuery);
  const amount = useCardAmount(card);
  const { article } = card;
  const price = usePrice()(article);
  const cord = article.kind === 'CORD';
  const facts: [string, ReactNode][] = [
    [
      t('card.kind'),
      cord && article.material
        ? `${t('kind.CORD')}, ${materials.data?.find((m) => m.code === article.material)?.name ?? article.material}`
        : t(`kind.${article.kind}`),
    ],
    [
      t('card.onHand'),
      <span className="figure" key="h">
        {amount(article.onHand)}
      </span>,
    ],
    [
      t('card.cost'),
      <span key="c">
        <Money value={price.value} /> {price.per}
      </span>,
    ],
  ];
  const measures: [string, number | undefined][] = [
    [t(cord ? 'articleForm.diameter' : 'measure.ACROSS'), article.diameterUm],
    [t('measure.LENGTH'), article.lengthUm],
    [t('measure.HOLE'), article.holeUm],
    [t('measure.INNER_WIDTH'), article.innerWidthUm],
    [t('measure.BAR'), article.barUm],
    [t('articleForm.keep'), article.keepUm],
  ];
  for (const [label, um] of measures)
    if (um !== undefined) facts.push([label, <Length key={label} um={um} kind="part" />]);
  return (
    <Group className="panel" p="md" gap="xl" align="flex-start">
      <Swatch colour={article.colour} />
      {facts.map(([label, figure]) => (
        <div key={label}>
          <Text size="xs" c="dimmed">
            {label}
          </Text>
          <Text size="sm">{figure}</Text>
        </div>
      ))}
    </Group>
  );
}

function Lots({ card }: { card: Card }) {
  const { t } = useTranslation();
  const amount = useCardAmount(card);
  return (
    <Section title={t('card.lots')}>
      {card.lots.length === 0 ? (
        <Text c="dimmed">{t('stock.empty')}</Text>
      ) : (
        <Table fz="sm" verticalSpacing={4}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('receive.lot')}</Table.Th>
              <Table.Th>{t('receive.day')}</Table.Th>
              <Table.Th className="right">{t('card.left')}</Table.Th>
              <Table.Th className="right">{t('card.of')}</Table.Th>
              <Table.Th className="right">{t('ledger.value')}</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {card.lots.map((lot) => (
              <Table.Tr key={lot.id}>
                <Table.Td>
                  <Anchor component={Link} to={`/stock/lots/${lot.id}`} inherit underline="always">
                    {lot.code}
                  </Anchor>
                  {lot.measuredUm !== undefined && (
                    <Text size="xs" c="dimmed">
                      <Length um={lot.measuredUm} kind="part" />
                    </Text>
                  )}
                </Table.Td>
                <Table.Td>{formatDay(lot.receivedOn)}</Table.Td>
                <Table.Td className="right">
                  <span className="figure">{amount(lot.quantity)}</span>
                </Table.Td>
                <Table.Td className="right">
                  <span className="figure">{amount(lot.received)}</span>
                </Table.Td>
                <Table.Td className="right">
                  <Money value={lot.value} />
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
    </Section>
  );
}

function Promised({ card }: { card: Card }) {
  const { t } = useTranslation();
  const amount = useCardAmount(card);
  return (
    <Section title={t('card.promised')}>
      {card.promised.length === 0 ? (
        <Text c="dimmed">{t('card.notPromised')}</Text>
      ) : (
        <Table fz="sm" verticalSpacing={4}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('card.order')}</Table.Th>
              <Table.Th>{t('card.batch')}</Table.Th>
              <Table.Th>{t('card.due')}</Table.Th>
              <Table.Th className="right">{t('card.amount')}</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {card.promised.map((p) => (
              <Table.Tr key={`${p.orderId}/${p.batchId}`}>
                <Table.Td>
                  <Link to={`/orders/${p.orderId}`}>{p.reference}</Link> {p.customer}
                </Table.Td>
                <Table.Td>{p.batch ?? t('card.noBatch')}</Table.Td>
                <Table.Td>{p.due ? formatDay(p.due) : '–'}</Table.Td>
                <Table.Td className="right">
                  <span className="figure">{amount(p.quantity)}</span>
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
    </Section>
  );
}

/** How much of a consumable a piece takes, and when. */
function Uses({ card }: { card: Card }) {
  const { t } = useTranslation();
  const amount = useCardAmount(card);
  return (
    <Section title={t('card.uses')}>
      {card.uses.length === 0 ? (
        <Text c="dimmed">{t('card.noUses')}</Text>
      ) : (
        <Table fz="sm" verticalSpacing={4}>
          <Table.Tbody>
            {card.uses.map((u) => (
              <Table.Tr key={u.occasion}>
                <Table.Td>{t(`occasion.${u.occasion}`)}</Table.Td>
                <Table.Td className="right">
                  <span className="figure">{amount(u.quantity)}</span>
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
    </Section>
  );
}
