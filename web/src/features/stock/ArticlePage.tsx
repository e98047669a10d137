import { Button, Group, Select, Stack, Table, Text, TextInput, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, type ReactNode, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { useAmount, usePrice } from '../../shared/amount';
import { devicesQuery } from '../../shared/devices';
import { Length, Money } from '../../shared/Figures';
import { formatDay } from '../../shared/format';
import { LengthField } from '../../shared/LengthField';
import { Await, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { materialsQuery } from '../../shared/piece/queries';
import { Swatch } from '../../shared/Swatch';
import { ArticleForm } from './ArticleForm';
import { LedgerDrawer } from './LedgerDrawer';
import {
  addPutUp,
  cardQuery,
  setDensity,
  suppliersQuery,
  useDevice,
  useStockAct,
  withdrawPutUp,
} from './queries';
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

function useCardAmount({ article }: Card) {
  const amount = useAmount();
  return (quantity: number) => amount(quantity, article.unit);
}

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Stack component="section" className="panel" p="md" gap="xs" aria-label={title}>
      <Title order={2} size="h4">
        {title}
      </Title>
      {children}
    </Stack>
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

function PutUps({ card }: { card: Card }) {
  const { t } = useTranslation();
  const amount = useCardAmount(card);
  const withdraw = useStockAct(withdrawPutUp);
  return (
    <Section title={t('card.putUps')}>
      {card.putUps.length === 0 ? (
        <Text c="dimmed">{t('card.noPutUps')}</Text>
      ) : (
        <Table fz="sm" verticalSpacing={4}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('receive.supplier')}</Table.Th>
              <Table.Th className="right">{t('card.putUp')}</Table.Th>
              <Table.Th className="right">{t('card.price')}</Table.Th>
              <Table.Th>{t('buy.next')}</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {card.putUps.map((p) => (
              <Table.Tr key={p.id}>
                <Table.Td>
                  {p.supplier}
                  <Text size="xs" c="dimmed">
                    {t('supplier.days', { count: p.leadDays })} {p.code && `· ${p.code}`}
                  </Text>
                </Table.Td>
                <Table.Td className="right">
                  <span className="figure">{amount(p.quantity)}</span>
                </Table.Td>
                <Table.Td className="right">
                  <Money value={p.price} />
                </Table.Td>
                <Table.Td>
                  <Button
                    size="compact-xs"
                    variant="default"
                    loading={withdraw.isPending && withdraw.variables === p.id}
                    onClick={() => withdraw.mutate(p.id)}
                  >
                    {t('card.withdraw')}
                  </Button>
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
      <ProblemNote error={withdraw.error} />
      <PutUpForm card={card} />
    </Section>
  );
}

function PutUpForm({ card: { article } }: { card: Card }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const suppliers = useQuery(suppliersQuery);
  const add = useStockAct(addPutUp);
  const [supplier, setSupplier] = useState<string | null>(null);
  const [quantity, setQuantity] = useState('');
  const [price, setPrice] = useState('');
  const [code, setCode] = useState('');
  const problem = (field: string) => (add.error instanceof ProblemError ? add.error.field(field) : undefined);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    add.mutate(
      { article: article.id, supplier: Number(supplier) || 0, quantity, price, code, units },
      {
        onSuccess: () => {
          setQuantity('');
          setPrice('');
          setCode('');
        },
      },
    );
  };
  if (suppliers.data?.length === 0) {
    return (
      <Text size="sm">
        <Link to="/stock/buy">{t('card.noSuppliers')}</Link>
      </Text>
    );
  }
  return (
    <Stack component="form" onSubmit={submit} gap="xs">
      <Group grow align="flex-start">
        <Select
          label={t('receive.supplier')}
          data={(suppliers.data ?? []).map((s) => ({ value: String(s.id), label: s.name }))}
          value={supplier}
          onChange={setSupplier}
          error={problem('supplier')}
        />
        <TextInput
          label={t('card.code')}
          value={code}
          onChange={(e) => setCode(e.currentTarget.value)}
          error={problem('code')}
        />
      </Group>
      <Group grow align="flex-start">
        {article.unit === 'METRE' ? (
          <LengthField
            label={t('card.putUp')}
            description={t('lengthField.long')}
            value={quantity}
            onChange={setQuantity}
            error={problem('quantity')}
          />
        ) : (
          <TextInput
            label={t(`receive.each.${article.unit}`)}
            inputMode={article.unit === 'PIECE' ? 'numeric' : undefined}
            value={quantity}
            onChange={(e) => setQuantity(e.currentTarget.value)}
            error={problem('quantity')}
          />
        )}
        <TextInput
          label={t('card.price')}
          inputMode="decimal"
          value={price}
          onChange={(e) => setPrice(e.currentTarget.value)}
          error={problem('price')}
        />
      </Group>
      <ProblemNote error={add.error} shown={['supplier', 'code', 'quantity', 'price']} />
      <Button type="submit" variant="default" w="fit-content" loading={add.isPending}>
        {t('card.addPutUp')}
      </Button>
    </Stack>
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
                  {lot.code}
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

/** From a cord the parts that take it, from a part the cords it takes. */
function Fits({ card }: { card: Card }) {
  const { t } = useTranslation();
  return (
    <Section title={t(card.article.kind === 'CORD' ? 'card.parts' : 'card.cords')}>
      {card.fits.length === 0 ? (
        <Text c="dimmed">{t('card.noFits')}</Text>
      ) : (
        <Table fz="sm" verticalSpacing={4}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('receive.article')}</Table.Th>
              <Table.Th>{t('card.takes')}</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {card.fits.map((f) => (
              <Table.Tr key={f.code}>
                <Table.Td>
                  <Group gap={6} wrap="nowrap">
                    <Swatch colour={f.colour} />
                    <Link to={`/stock/articles/${f.code}`}>
                      {f.name} ({f.code})
                    </Link>
                  </Group>
                  {f.onHand === 0 && (
                    <Text size="xs" c="dimmed">
                      {t('stock.empty')}
                    </Text>
                  )}
                </Table.Td>
                <Table.Td>
                  {f.tapered > 0 && (
                    <div>
                      {f.through > 0 ? t('card.through', { count: f.through }) : t('card.onlyTapered')}
                      {f.tapered > f.through && `, ${t('card.tapered', { count: f.tapered })}`}
                    </div>
                  )}
                  {f.bunched > 0 && (
                    <div>
                      {t('card.onBar', { count: f.onBar })}
                      {f.bunched > f.onBar && `, ${t('card.bunched', { count: f.bunched })}`}
                    </div>
                  )}
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
    </Section>
  );
}

const MICROGRAMS = 1_000_000;
const GRAM = 1000;

/** What a metre weighs: typed, or told by a spool of which the length is known. */
function Density({ card: { article, densityUgM } }: { card: Card }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const devices = useQuery(devicesQuery);
  const scale = useDevice('SCALE');
  const keep = useStockAct(setDensity);
  const [perMetre, setPerMetre] = useState(densityUgM === undefined ? '' : String(densityUgM / MICROGRAMS));
  const [gross, setGross] = useState('');
  const [tare, setTare] = useState('');
  const [length, setLength] = useState('');
  const problem = (field: string) =>
    keep.error instanceof ProblemError ? keep.error.field(field) : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(
      { article: article.id, perMetre, gross, tare, length, units },
      {
        onSuccess: (kept) => {
          const { ugM } = kept as { ugM?: number };
          setPerMetre(ugM === undefined ? '' : String(ugM / MICROGRAMS));
          setGross('');
          setLength('');
        },
      },
    );
  };
  return (
    <Section title={t('card.density')}>
      <Stack component="form" onSubmit={submit} gap="xs">
        <TextInput
          label={t('card.perMetre')}
          description={t('card.densityUse')}
          inputWrapperOrder={['label', 'input', 'description', 'error']}
          inputMode="decimal"
          value={perMetre}
          onChange={(e) => setPerMetre(e.currentTarget.value)}
          error={problem('perMetre')}
        />
        <Text size="sm">{t('card.orSpool')}</Text>
        <Group grow align="flex-start">
          <TextInput
            label={t('card.gross')}
            placeholder="280 g"
            value={gross}
            onChange={(e) => setGross(e.currentTarget.value)}
            error={problem('gross')}
          />
          <TextInput
            label={t('card.tare')}
            placeholder="40 g"
            value={tare}
            onChange={(e) => setTare(e.currentTarget.value)}
            error={problem('tare')}
          />
        </Group>
        <LengthField
          description={t('lengthField.long')}
          label={t('card.length')}
          value={length}
          onChange={setLength}
          error={problem('length')}
        />
        <ProblemNote error={scale.error ?? keep.error} shown={['perMetre', 'gross', 'tare', 'length']} />
        <Group>
          {devices.data?.there && (
            <Button
              variant="default"
              loading={scale.isPending}
              onClick={() =>
                scale.mutate(undefined, { onSuccess: ({ amount }) => setGross(`${amount / GRAM} g`) })
              }
            >
              {t('count.scale')}
            </Button>
          )}
          <Button type="submit" variant="default" loading={keep.isPending}>
            {t('card.keepDensity')}
          </Button>
        </Group>
      </Stack>
    </Section>
  );
}
