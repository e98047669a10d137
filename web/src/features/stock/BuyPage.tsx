import {
  Button,
  Group,
  Modal,
  NativeSelect,
  NumberInput,
  Stack,
  Table,
  Text,
  TextInput,
  Title,
} from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { useAmount } from '../../shared/amount';
import { Money } from '../../shared/Figures';
import { formatDay } from '../../shared/format';
import { More } from '../../shared/More';
import { Await, Empty, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { Swatch } from '../../shared/Swatch';
import {
  buyQuery,
  closePurchase,
  keepSupplier,
  placePurchase,
  purchasesQuery,
  suppliersQuery,
  useStockAct,
} from './queries';
import classes from './Supplies.module.css';

type Line = Schemas['BuyLine'];
type Offer = Schemas['BuyOffer'];
type Supplier = Schemas['SupplierView'];

const LEVELS = [
  'NINE_IN_TEN',
  'NINETEEN_IN_TWENTY',
  'FORTY_NINE_IN_FIFTY',
  'NINETY_NINE_IN_A_HUNDRED',
] as const;

/** What should be bought, what was, and from whom. */
export default function BuyPage() {
  const { t } = useTranslation();
  const [address, setAddress] = useSearchParams();
  const filter = {
    level: LEVELS.find((l) => l === address.get('level')) ?? 'NINETEEN_IN_TWENTY',
    review: Number(address.get('review') ?? 7) || 0,
  };
  const buy = useInfiniteQuery(buyQuery(filter));
  const suppliers = useQuery(suppliersQuery);
  const purchases = useQuery(purchasesQuery);
  const set = (name: string, value: string) => {
    const next = new URLSearchParams(address);
    next.set(name, value);
    setAddress(next, { replace: true });
  };
  return (
    <Page
      title={t('buy.title')}
      actions={
        <Button component={Link} to="/stock" variant="default">
          {t('receive.wall')}
        </Button>
      }
    >
      <Group align="flex-end" gap="md">
        <NativeSelect
          label={t('buy.level')}
          data={LEVELS.map((l) => ({ value: l, label: t(`buy.level.${l}`) }))}
          value={filter.level}
          onChange={(e) => set('level', e.currentTarget.value)}
        />
        <NumberInput
          w={190}
          label={t('buy.review')}
          min={0}
          max={90}
          allowDecimal={false}
          value={filter.review}
          onChange={(days) => set('review', String(days))}
        />
      </Group>
      <Await query={buy}>
        {({ pages }) => {
          const lines = pages.flatMap((p) => p.rows);
          const all = pages[0] as Schemas['BuyPage'];
          const lacking = lines.filter((l) => (l.offers[0]?.needed ?? 0) > 0);
          const fine = lines.filter((l) => !lacking.includes(l));
          return (
            <>
              {lines.length === 0 ? (
                <Empty words={t('stock.none')}>
                  <Button component={Link} to="/stock">
                    {t('receive.wall')}
                  </Button>
                </Empty>
              ) : lacking.length === 0 ? (
                <Text className="panel" p="md">
                  {t('buy.enough')}
                </Text>
              ) : (
                <>
                  <Suggested lines={lacking} />
                  {lacking.length < all.lacking && (
                    <>
                      <Text ta="center" size="sm" c="dimmed">
                        {t('buy.shown', { shown: lacking.length, count: all.lacking })}
                      </Text>
                      <More query={buy} />
                    </>
                  )}
                </>
              )}
              <Await query={purchases}>{(all) => <Bought purchases={all} />}</Await>
              <Await query={suppliers}>{(all) => <SupplierList suppliers={all} />}</Await>
              {all.enough > 0 && lacking.length === all.lacking && (
                <details className={`panel ${classes.enough}`}>
                  <summary>{t('buy.fine', { count: all.enough })}</summary>
                  {fine.map((l) => (
                    <BuyRow key={l.articleId} line={l} />
                  ))}
                  <More query={buy} />
                </details>
              )}
            </>
          );
        }}
      </Await>
    </Page>
  );
}

/** What is missing, grouped by who sells it; how many are bought can be changed. */
function Suggested({ lines }: { lines: Line[] }) {
  const { t } = useTranslation();
  const groups = new Map<number, { supplier: string; lines: Line[] }>();
  for (const line of lines) {
    const offer = line.offers[0] as Offer;
    const id = offer.supplierId ?? 0;
    const group = groups.get(id) ?? { supplier: offer.supplier, lines: [] };
    group.lines.push(line);
    groups.set(id, group);
  }
  return (
    <>
      {[...groups].map(([id, group]) =>
        id === 0 ? (
          <div key={id} className="panel">
            <Title order={2} size="h4" p="md" pb={0}>
              {t('buy.nobody')}
            </Title>
            {group.lines.map((l) => (
              <BuyRow key={l.articleId} line={l}>
                <Button component={Link} size="compact-sm" variant="default" to={`/stock/articles/${l.code}`}>
                  {t('buy.addPutUp')}
                </Button>
              </BuyRow>
            ))}
          </div>
        ) : (
          <SupplierGroup key={id} supplier={id} name={group.supplier} lines={group.lines} />
        ),
      )}
    </>
  );
}

function SupplierGroup({ supplier, name, lines }: { supplier: number; name: string; lines: Line[] }) {
  const { t } = useTranslation();
  const place = useStockAct(placePurchase);
  const [changed, setChanged] = useState<Record<number, number | string>>({});
  const picks = lines.flatMap((l) => l.offers[0]?.picks ?? []);
  const count = (putUp: number, suggested: number) => Number(changed[putUp] ?? suggested) || 0;
  const wanted = picks
    .map((p) => ({ putUp: p.putUp, count: count(p.putUp, p.count) }))
    .filter((p) => p.count > 0);
  const submit = () =>
    place.mutate(
      { supplier, lines: wanted },
      {
        onSuccess: () => {
          setChanged({});
          notifications.show({ message: t('buy.placed', { name }), color: 'board' });
        },
      },
    );
  return (
    <section className="panel" aria-label={name}>
      <Group justify="space-between" p="md" pb={0}>
        <Title order={2} size="h4">
          {t('buy.from', { name })}
        </Title>
        <Button onClick={submit} loading={place.isPending} disabled={wanted.length === 0}>
          {t('buy.place', { count: wanted.length })}
        </Button>
      </Group>
      <ProblemNote error={place.error} />
      {lines.map((l) => (
        <BuyRow key={l.articleId} line={l}>
          <Picks
            line={l}
            counts={changed}
            onChange={(putUp, n) => setChanged((all) => ({ ...all, [putUp]: n }))}
          />
        </BuyRow>
      ))}
    </section>
  );
}

interface PicksProps {
  line: Line;
  counts: Record<number, number | string>;
  onChange: (putUp: number, count: number | string) => void;
}

function Picks({ line, counts, onChange }: PicksProps) {
  const { t } = useTranslation();
  const print = useAmount();
  const amount = (quantity: number) => print(quantity, line.unit);
  const [best, ...others] = line.offers;
  return (
    <Stack gap={6}>
      {best?.picks.map((p) => (
        <Group key={p.putUp} gap="xs" wrap="nowrap">
          <NumberInput
            w={84}
            size="xs"
            min={0}
            allowDecimal={false}
            aria-label={t('buy.howMany', { name: line.name, amount: amount(p.quantity) })}
            value={counts[p.putUp] ?? p.count}
            onChange={(n) => onChange(p.putUp, n)}
          />
          <Text size="sm">
            × {amount(p.quantity)} {p.code} · <Money value={p.price} />
          </Text>
        </Group>
      ))}
      {best && (
        <Text size="sm" c="dimmed">
          {t('buy.comes', { amount: amount(best.quantity), days: best.leadDays })}{' '}
          <Money value={best.price} />
        </Text>
      )}
      {others.map((o) => (
        <Text key={o.supplierId} size="xs" c="dimmed">
          {t('buy.instead', { name: o.supplier, amount: amount(o.quantity), days: o.leadDays })}{' '}
          <Money value={o.price} />
        </Text>
      ))}
    </Stack>
  );
}

function BuyRow({ line, children }: { line: Line; children?: React.ReactNode }) {
  const { t } = useTranslation();
  const print = useAmount();
  const amount = (quantity: number) => print(quantity, line.unit);
  const offer = line.offers[0] as Offer;
  return (
    <div className={classes.buy}>
      <div>
        <Group gap={6} wrap="nowrap">
          <Swatch colour={line.colour} />
          <Text fw={650} component={Link} to={`/stock/articles/${line.code}`} c="inherit">
            {line.name}
          </Text>
          <span className="figure">{line.code}</span>
        </Group>
        <Text size="sm" c="dimmed">
          {t('buy.there', { onHand: amount(line.onHand), owed: amount(line.owed) })}
          {line.onOrder > 0 && ` ${t('buy.onWay', { amount: amount(line.onOrder) })}`}
        </Text>
        <Text size="sm" c="dimmed">
          {line.weeks === 0
            ? t('buy.noHabit')
            : t('buy.habit', { amount: amount(line.weekly), count: line.weeks })}
        </Text>
      </div>
      <div>
        <Weeks line={line} />
        <Text size="sm" className={line.runsOut ? classes.missing : undefined}>
          {line.runsOut ? t('buy.runsOut', { day: formatDay(line.runsOut) }) : t('buy.lasts')}
        </Text>
        <Text size="xs" c="dimmed">
          {t('buy.axis')}
        </Text>
      </div>
      <div>
        {offer.needed > 0 && (
          <Text size="sm" mb={4}>
            {t('buy.needed', { amount: amount(offer.needed) })}
            {offer.reserve > 0 && ` (${t('buy.reserve', { amount: amount(offer.reserve) })})`}
          </Text>
        )}
        {children}
      </div>
    </div>
  );
}

const TALL = 40;
const WIDE = 10;

/** What is left week by week when nothing is bought; what is missing hangs below the line. */
function Weeks({ line }: { line: Line }) {
  const { t } = useTranslation();
  const print = useAmount();
  const amount = (quantity: number) => print(quantity, line.unit);
  const most = Math.max(...line.levels.map((l) => l.quantity), 0);
  const least = Math.min(...line.levels.map((l) => l.quantity), 0);
  const scale = TALL / Math.max(most - least, 1);
  const zero = most * scale + 2;
  return (
    <svg
      className={classes.weeks}
      viewBox={`0 0 ${line.levels.length * WIDE} 44`}
      preserveAspectRatio="none"
      role="img"
      aria-label={line.levels.map((l) => `${formatDay(l.day)}: ${amount(l.quantity)}`).join(', ')}
    >
      <title>{t('buy.weeks')}</title>
      {line.levels.map((l, i) => (
        <rect
          key={l.day}
          className={l.quantity < 0 ? classes.short : undefined}
          x={i * WIDE + 1}
          width={WIDE - 2}
          y={l.quantity < 0 ? zero : zero - l.quantity * scale}
          height={Math.max(Math.abs(l.quantity) * scale, 0.5)}
        />
      ))}
      <line x1="0" x2={line.levels.length * WIDE} y1={zero} y2={zero} />
    </svg>
  );
}

function Bought({ purchases }: { purchases: Schemas['PurchaseView'][] }) {
  const { t } = useTranslation();
  const amount = useAmount();
  const { units } = useUnits();
  const close = useStockAct(closePurchase);
  if (purchases.length === 0) return null;
  return (
    <Stack className="panel" p="md" gap="xs">
      <Title order={2} size="h4">
        {t('buy.bought')}
      </Title>
      <ProblemNote error={close.error} />
      <Table.ScrollContainer minWidth={640}>
        <Table fz="sm" verticalSpacing={6}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('receive.supplier')}</Table.Th>
              <Table.Th>{t('receive.what')}</Table.Th>
              <Table.Th>{t('buy.expected')}</Table.Th>
              <Table.Th className="right">{t('receive.total')}</Table.Th>
              <Table.Th>{t('buy.next')}</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {purchases.map((p) => (
              <Table.Tr key={p.id}>
                <Table.Td>
                  {p.supplier}
                  <Text size="xs" c="dimmed">
                    {t('buy.number', { id: p.id, who: p.who })}
                  </Text>
                </Table.Td>
                <Table.Td>
                  {p.lines.map((l) => (
                    <div key={l.id}>
                      {l.count} × {l.articleCode} {amount(l.quantity, l.unit)}
                      {l.received > 0 && `, ${t('buy.came', { count: l.received })}`}
                    </div>
                  ))}
                </Table.Td>
                <Table.Td>{p.open ? formatDay(p.expectedOn) : t('buy.closed')}</Table.Td>
                <Table.Td className="right">
                  <Money value={p.total} />
                  {p.open && p.total < p.minimum && (
                    <Text size="xs" className={classes.missing}>
                      {t('buy.minimum')} <Money value={p.minimum} />
                    </Text>
                  )}
                </Table.Td>
                <Table.Td>
                  <Group gap={6}>
                    {p.open && (
                      <Button component={Link} size="compact-sm" to={`/stock/receive?purchase=${p.id}`}>
                        {t('stock.receive')}
                      </Button>
                    )}
                    <Button
                      component="a"
                      size="compact-sm"
                      variant="default"
                      href={`/api/stock/purchases/${p.id}/list.pdf?units=${units}`}
                      target="_blank"
                    >
                      PDF
                    </Button>
                    <Button
                      component="a"
                      size="compact-sm"
                      variant="default"
                      href={`/api/stock/purchases/${p.id}/list.csv`}
                      download
                    >
                      CSV
                    </Button>
                    {p.open && (
                      <Button
                        size="compact-sm"
                        variant="default"
                        loading={close.isPending && close.variables === p.id}
                        onClick={() => close.mutate(p.id)}
                      >
                        {t('buy.close')}
                      </Button>
                    )}
                  </Group>
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      </Table.ScrollContainer>
    </Stack>
  );
}

function SupplierList({ suppliers }: { suppliers: Supplier[] }) {
  const { t } = useTranslation();
  const [edited, setEdited] = useState<Supplier | 'new'>();
  return (
    <Stack className="panel" p="md" gap="xs">
      <Group justify="space-between">
        <Title order={2} size="h4">
          {t('supplier.title')}
        </Title>
        <Button size="compact-md" variant="default" onClick={() => setEdited('new')}>
          {t('supplier.add')}
        </Button>
      </Group>
      {suppliers.length === 0 ? (
        <Text c="dimmed">{t('supplier.none')}</Text>
      ) : (
        <Table.ScrollContainer minWidth={560}>
          <Table fz="sm" verticalSpacing={4}>
            <Table.Thead>
              <Table.Tr>
                <Table.Th>{t('supplier.name')}</Table.Th>
                <Table.Th className="right">{t('supplier.lead')}</Table.Th>
                <Table.Th className="right">{t('supplier.minimum')}</Table.Th>
                <Table.Th>{t('supplier.note')}</Table.Th>
                <Table.Th>{t('buy.next')}</Table.Th>
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {suppliers.map((s) => (
                <Table.Tr key={s.id}>
                  <Table.Td>{s.name}</Table.Td>
                  <Table.Td className="right">{t('supplier.days', { count: s.leadDays })}</Table.Td>
                  <Table.Td className="right">
                    <Money value={s.minimum} />
                  </Table.Td>
                  <Table.Td>{s.note || '–'}</Table.Td>
                  <Table.Td>
                    <Button
                      size="compact-sm"
                      variant="default"
                      aria-label={t('changeIt', { name: s.name })}
                      onClick={() => setEdited(s)}
                    >
                      {t('supplier.change')}
                    </Button>
                  </Table.Td>
                </Table.Tr>
              ))}
            </Table.Tbody>
          </Table>
        </Table.ScrollContainer>
      )}
      {edited && (
        <SupplierForm supplier={edited === 'new' ? undefined : edited} onClose={() => setEdited(undefined)} />
      )}
    </Stack>
  );
}

function SupplierForm({ supplier, onClose }: { supplier?: Supplier; onClose: () => void }) {
  const { t } = useTranslation();
  const keep = useStockAct(keepSupplier);
  const [name, setName] = useState(supplier?.name ?? '');
  const [lead, setLead] = useState<number | string>(supplier?.leadDays ?? 7);
  const [minimum, setMinimum] = useState(supplier ? String(supplier.minimum) : '');
  const [note, setNote] = useState(supplier?.note ?? '');
  const problem = (field: string) =>
    keep.error instanceof ProblemError ? keep.error.field(field) : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(
      {
        id: supplier?.id,
        name,
        leadDays: Number(lead) || 0,
        minimum,
        note,
        version: supplier?.version ?? 0,
      },
      { onSuccess: onClose },
    );
  };
  return (
    <Modal opened onClose={onClose} title={t(supplier ? 'supplier.change' : 'supplier.add')} centered>
      <Stack component="form" onSubmit={submit} gap="sm">
        <TextInput
          label={t('supplier.name')}
          data-autofocus
          value={name}
          onChange={(e) => setName(e.currentTarget.value)}
          error={problem('name')}
        />
        <NumberInput
          label={t('supplier.leadDays')}
          allowDecimal={false}
          value={lead}
          onChange={setLead}
          error={problem('leadDays')}
        />
        <TextInput
          label={t('supplier.minimum')}
          inputMode="decimal"
          value={minimum}
          onChange={(e) => setMinimum(e.currentTarget.value)}
          error={problem('minimum')}
        />
        <TextInput
          label={t('supplier.note')}
          value={note}
          onChange={(e) => setNote(e.currentTarget.value)}
          error={problem('note')}
        />
        <ProblemNote error={keep.error} shown={['name', 'leadDays', 'minimum', 'note']} />
        <Button type="submit" loading={keep.isPending}>
          {t('supplier.keep')}
        </Button>
      </Stack>
    </Modal>
  );
}
