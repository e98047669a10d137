import {
  Button,
  Group,
  NativeSelect,
  NumberInput,
  Select,
  SimpleGrid,
  Stack,
  Table,
  Text,
  TextInput,
} from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { type Units, useUnits } from '../../app/units';
import { typedAmount } from '../../shared/amount';
import { articlesQuery } from '../../shared/articles';
import { Money } from '../../shared/Figures';
import { formatDay } from '../../shared/format';
import { LengthField } from '../../shared/LengthField';
import { Await, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { notesQuery, purchasesQuery, suppliersQuery, useReceive } from './queries';
import classes from './Supplies.module.css';

type Article = Schemas['Article'];

interface Line {
  key: number;
  article?: number;
  lot: string;
  putUps: number | string;
  each: string;
  price: string;
  shelf: string;
  measured: string;
  flawAt: string;
  hank: boolean;
  purchaseLine?: number;
}

let keys = 0;
const empty = (article?: number): Line => ({
  key: ++keys,
  article,
  lot: '',
  putUps: 1,
  each: '',
  price: '',
  shelf: '',
  measured: '',
  flawAt: '',
  hank: false,
});

/** What is still waited for of a purchase, as lines to be checked against what came. */
function expected(purchase: Schemas['PurchaseView'], units: Units): Line[] {
  return purchase.lines
    .filter((l) => l.open > 0)
    .map((l) => ({
      ...empty(l.articleId),
      putUps: l.open,
      each: typedAmount(l.quantity, l.unit, units),
      price: String(l.openPrice),
      purchaseLine: l.id,
    }));
}

/** A delivery note: its lines go on the shelves together. */
export default function ReceivePage() {
  const { t } = useTranslation();
  const articles = useQuery(articlesQuery);
  const suppliers = useQuery(suppliersQuery);
  const purchases = useQuery(purchasesQuery);
  return (
    <Page
      title={t('receive.title')}
      actions={
        <Button component={Link} to="/stock" variant="default">
          {t('receive.wall')}
        </Button>
      }
    >
      <Await query={articles}>
        {(all) => (
          <Await query={suppliers}>
            {(known) => (
              <Await query={purchases}>
                {(bought) => (
                  <>
                    <NoteForm articles={all} suppliers={known} purchases={bought} />
                    <Notes />
                  </>
                )}
              </Await>
            )}
          </Await>
        )}
      </Await>
    </Page>
  );
}

/** What was delivered before. */
function Notes() {
  const { t } = useTranslation();
  const notes = useQuery(notesQuery);
  return (
    <Await query={notes}>
      {(rows) =>
        rows.length === 0 ? null : (
          <Stack className="panel" p="md" gap="xs">
            <Text fw={650}>{t('receive.before')}</Text>
            <Table.ScrollContainer minWidth={560}>
              <Table fz="sm" verticalSpacing={4}>
                <Table.Thead>
                  <Table.Tr>
                    <Table.Th>{t('receive.day')}</Table.Th>
                    <Table.Th>{t('receive.number')}</Table.Th>
                    <Table.Th>{t('receive.what')}</Table.Th>
                    <Table.Th className="right">{t('receive.freight')}</Table.Th>
                    <Table.Th className="right">{t('receive.total')}</Table.Th>
                  </Table.Tr>
                </Table.Thead>
                <Table.Tbody>
                  {rows.slice(0, 20).map((note) => (
                    <Table.Tr key={note.id}>
                      <Table.Td>{formatDay(note.receivedOn)}</Table.Td>
                      <Table.Td>
                        {note.number || '–'} {note.supplier}
                      </Table.Td>
                      <Table.Td>
                        {note.lines.map((l, i) => (
                          <div key={i}>
                            {l.putUps} × {l.code} {l.name}, {t('receive.ofLot', { lot: l.lot })}
                          </div>
                        ))}
                      </Table.Td>
                      <Table.Td className="right">
                        <Money value={note.freight} />
                      </Table.Td>
                      <Table.Td className="right">
                        <Money value={note.total} />
                      </Table.Td>
                    </Table.Tr>
                  ))}
                </Table.Tbody>
              </Table>
            </Table.ScrollContainer>
          </Stack>
        )
      }
    </Await>
  );
}

interface FormProps {
  articles: Article[];
  suppliers: Schemas['SupplierView'][];
  purchases: Schemas['PurchaseView'][];
}

function NoteForm({ articles, suppliers, purchases }: FormProps) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const navigate = useNavigate();
  const [address] = useSearchParams();
  const purchase = purchases.find((p) => String(p.id) === address.get('purchase'));
  const first = Number(address.get('article')) || undefined;
  const receive = useReceive();
  const [number, setNumber] = useState('');
  const [supplier, setSupplier] = useState<string | null>(purchase ? String(purchase.supplierId) : null);
  const [receivedOn, setReceivedOn] = useState('');
  const [freight, setFreight] = useState('');
  const [lines, setLines] = useState<Line[]>(() => (purchase ? expected(purchase, units) : [empty(first)]));
  const problem = (field: string) =>
    receive.error instanceof ProblemError ? receive.error.field(field) : undefined;
  const set = (key: number, change: Partial<Line>) =>
    setLines((all) => all.map((l) => (l.key === key ? { ...l, ...change } : l)));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    receive.mutate(
      {
        number,
        supplier: supplier === null ? undefined : Number(supplier),
        receivedOn: receivedOn || undefined,
        freight,
        lines: lines.map(({ key: _, article, putUps, ...line }) => ({
          ...line,
          article: article ?? 0,
          putUps: Number(putUps) || 0,
          units,
        })),
      },
      {
        onSuccess: ({ holdings }) => {
          notifications.show({ message: t('receive.done', { count: holdings.length }), color: 'board' });
          navigate('/stock');
        },
      },
    );
  };
  const shown = [
    'number',
    'receivedOn',
    'freight',
    'supplier',
    ...lines.flatMap((_, i) =>
      ['article', 'lot', 'shelf', 'putUps', 'each', 'price', 'measured', 'flawAt'].map(
        (f) => `lines[${i}].${f}`,
      ),
    ),
  ];
  return (
    <Stack component="form" onSubmit={submit} gap="md">
      <Group className="panel" p="md" align="flex-start" gap="md">
        <Select
          label={t('receive.supplier')}
          placeholder={t('receive.anySupplier')}
          clearable
          w={220}
          data={suppliers.map((s) => ({ value: String(s.id), label: s.name }))}
          value={supplier}
          onChange={setSupplier}
          error={problem('supplier')}
        />
        <TextInput
          label={t('receive.number')}
          w={180}
          value={number}
          onChange={(e) => setNumber(e.currentTarget.value)}
          error={problem('number')}
        />
        <TextInput
          type="date"
          label={t('receive.day')}
          description={t('receive.today')}
          inputWrapperOrder={['label', 'input', 'description', 'error']}
          w={170}
          value={receivedOn}
          onChange={(e) => setReceivedOn(e.currentTarget.value)}
          error={problem('receivedOn')}
        />
        <TextInput
          label={t('receive.freight')}
          description={t('receive.shared')}
          inputWrapperOrder={['label', 'input', 'description', 'error']}
          inputMode="decimal"
          w={220}
          value={freight}
          onChange={(e) => setFreight(e.currentTarget.value)}
          error={problem('freight')}
        />
      </Group>
      {lines.map((line, i) => (
        <LineFields
          key={line.key}
          line={line}
          articles={articles}
          set={(change) => set(line.key, change)}
          problem={(field) => problem(`lines[${i}].${field}`)}
          onRemove={
            lines.length > 1 ? () => setLines((all) => all.filter((l) => l.key !== line.key)) : undefined
          }
        />
      ))}
      <ProblemNote error={receive.error} shown={shown} />
      <Group>
        <Button variant="default" onClick={() => setLines((all) => [...all, empty()])}>
          {t('receive.more')}
        </Button>
        <Button type="submit" loading={receive.isPending}>
          {t('receive.submit')}
        </Button>
      </Group>
    </Stack>
  );
}

interface LineProps {
  line: Line;
  articles: Article[];
  set: (change: Partial<Line>) => void;
  problem: (field: string) => string | undefined;
  onRemove?: () => void;
}

function LineFields({ line, articles, set, problem, onRemove }: LineProps) {
  const { t } = useTranslation();
  const chosen = articles.find((a) => a.id === line.article);
  const cord = chosen === undefined || chosen.kind === 'CORD';
  const counted = chosen && chosen.unit !== 'METRE' ? chosen.unit : undefined;
  return (
    <fieldset className={`panel ${classes.line}`}>
      <legend className={classes.legend}>
        {chosen ? `${chosen.code} ${chosen.name}` : t('receive.line')}
      </legend>
      <SimpleGrid
        type="container"
        cols={{ base: 1, '420px': 2, '860px': 4 }}
        spacing="md"
        verticalSpacing="xs"
      >
        <Select
          label={t('receive.article')}
          searchable
          allowDeselect={false}
          data={articles.map((a) => ({ value: String(a.id), label: `${a.name} (${a.code})` }))}
          value={line.article === undefined ? null : String(line.article)}
          onChange={(v) => set({ article: v === null ? undefined : Number(v), purchaseLine: undefined })}
          error={problem('article')}
        />
        <TextInput
          label={t('receive.lot')}
          value={line.lot}
          onChange={(e) => set({ lot: e.currentTarget.value })}
          error={problem('lot')}
        />
        <NumberInput
          label={t(cord ? 'receive.spools' : 'receive.boxes')}
          value={line.putUps}
          onChange={(putUps) => set({ putUps })}
          allowDecimal={false}
          error={problem('putUps')}
        />
        {counted === undefined ? (
          <LengthField
            label={t('receive.lengthEach')}
            description={t('lengthField.long')}
            value={line.each}
            onChange={(each) => set({ each })}
            error={problem('each')}
          />
        ) : (
          <TextInput
            label={t(`receive.each.${counted}`)}
            inputMode={counted === 'PIECE' ? 'numeric' : undefined}
            value={line.each}
            onChange={(e) => set({ each: e.currentTarget.value })}
            error={problem('each')}
          />
        )}
        <TextInput
          label={t('receive.price')}
          inputMode="decimal"
          value={line.price}
          onChange={(e) => set({ price: e.currentTarget.value })}
          error={problem('price')}
        />
        <TextInput
          label={t('receive.shelf')}
          value={line.shelf}
          onChange={(e) => set({ shelf: e.currentTarget.value })}
          error={problem('shelf')}
        />
        {cord && (
          <>
            <NativeSelect
              label={t('receive.wound')}
              value={line.hank ? 'HANK' : 'SPOOL'}
              onChange={(e) => set({ hank: e.currentTarget.value === 'HANK' })}
              data={(['SPOOL', 'HANK'] as const).map((k) => ({ value: k, label: t(`receive.wound.${k}`) }))}
            />
            <LengthField
              label={t('receive.measured')}
              description={t('lengthField.thin')}
              value={line.measured}
              onChange={(measured) => set({ measured })}
              error={problem('measured')}
            />
            <LengthField
              label={t('receive.flawAt')}
              description={t('lengthField.long')}
              value={line.flawAt}
              onChange={(flawAt) => set({ flawAt })}
              error={problem('flawAt')}
            />
          </>
        )}
      </SimpleGrid>
      {onRemove && (
        <Button size="compact-sm" variant="subtle" color="gray" onClick={onRemove} mt="xs">
          {t('receive.remove')}
        </Button>
      )}
    </fieldset>
  );
}
