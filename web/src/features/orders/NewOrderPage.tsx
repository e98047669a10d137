import {
  Button,
  Grid,
  Group,
  NumberInput,
  SegmentedControl,
  Select,
  Stack,
  Text,
  Textarea,
  TextInput,
} from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { ArticleSelect } from '../../shared/ArticleSelect';
import { LengthField } from '../../shared/LengthField';
import { Await, Empty, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { articlesQuery } from '../stock/queries';
import { PiecePanel } from './PiecePanel';
import { patternsQuery, sizesQuery, useTakeOrder, workOutQuery } from './queries';

/** A form beside a live picture: every choice is worked out by the server as it is made. */
export default function NewOrderPage() {
  const { t } = useTranslation();
  const patterns = useQuery(patternsQuery);
  const articles = useQuery(articlesQuery);
  return (
    <Page title={t('newOrder.title')}>
      <Await query={patterns}>
        {(p) => (
          <Await query={articles}>
            {(a) =>
              a.some((article) => article.kind === 'CORD') ? (
                <OrderForm patterns={p} articles={a} />
              ) : (
                <Empty words={t('newOrder.noCord')}>
                  <Button component={Link} to="/stock">
                    {t('newOrder.toStock')}
                  </Button>
                </Empty>
              )
            }
          </Await>
        )}
      </Await>
    </Page>
  );
}

type Choices = Omit<Schemas['PieceChoices'], 'units'>;

function firstChoices(
  pattern: Schemas['PatternView'],
  articles: Schemas['Article'][],
  before?: Choices,
): Choices {
  const cords = articles.filter((a) => a.kind === 'CORD').sort((a, b) => b.onHand - a.onHand);
  return {
    pattern: pattern.code,
    size: pattern.kind === 'BRACELET' ? (before?.size ?? (before?.wrist ? undefined : 'M')) : undefined,
    wrist: before?.wrist,
    hand: before?.hand,
    ease: before?.ease ?? 'COMFORTABLE',
    length: pattern.kind === 'FOB' ? (before?.length ?? '12 cm') : before?.length,
    colours: pattern.slots.map(
      (_, i) => before?.colours[i] ?? cords[i % Math.max(cords.length, 1)]?.code ?? '',
    ),
    bead: pattern.mostBeads > 0 ? before?.bead : undefined,
    beadCount: pattern.mostBeads > 0 ? before?.beadCount : 0,
    ring: pattern.ring ? (before?.ring ?? articles.find((a) => a.kind === 'RING')?.code) : undefined,
  };
}

interface FormProps {
  patterns: Schemas['PatternView'][];
  articles: Schemas['Article'][];
}

function OrderForm({ patterns, articles }: FormProps) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const navigate = useNavigate();
  const take = useTakeOrder();
  const [customer, setCustomer] = useState('');
  const [due, setDue] = useState('');
  const [quantity, setQuantity] = useState<number | string>(1);
  const [note, setNote] = useState('');
  const [choices, setChoices] = useState<Choices>(() =>
    firstChoices(patterns[0] as Schemas['PatternView'], articles),
  );
  const pattern = patterns.find((p) => p.code === choices.pattern) ?? (patterns[0] as Schemas['PatternView']);
  const asked = useMemo(
    () => ({ choices: { ...choices, units }, quantity: Number(quantity) || 0 }),
    [choices, units, quantity],
  );
  const [settled] = useDebouncedValue(asked, 60);
  const worked = useQuery(workOutQuery(settled.choices, settled.quantity));
  const set = (change: Partial<Choices>) => setChoices({ ...choices, ...change });
  const refused = take.error instanceof ProblemError ? take.error : undefined;
  const live = worked.data?.problems.map((p) => ({ field: p.field, text: `${p.message} ${p.remedy}` })) ?? [];
  const problem = (field: string) =>
    live.find((p) => p.field === field)?.text ?? refused?.field(`lines[0].${field}`);

  const submit = (event: FormEvent) => {
    event.preventDefault();
    const body = {
      customer,
      due: due || undefined,
      lines: [{ choices: { ...choices, units }, quantity: Number(quantity) || 0, note }],
    };
    take.mutate(body, {
      onSuccess: ({ id }) => {
        notifications.show({ message: t('newOrder.taken', { customer }), color: 'board' });
        navigate(`/orders/${id}`);
      },
    });
  };

  return (
    <Grid gap="md">
      <Grid.Col span={{ base: 12, md: 5 }}>
        <Stack component="form" onSubmit={submit} className="panel" p="md" gap={10}>
          <Group grow align="flex-start">
            <TextInput
              label={t('orders.customer')}
              value={customer}
              onChange={(e) => setCustomer(e.currentTarget.value)}
              error={refused?.field('customer')}
              data-autofocus
            />
            <TextInput
              type="date"
              label={t('newOrder.due')}
              value={due}
              onChange={(e) => setDue(e.currentTarget.value)}
              error={refused?.field('due')}
            />
          </Group>
          <Select
            label={t('newOrder.pattern')}
            allowDeselect={false}
            data={patterns.map((p) => ({ value: p.code, label: p.name }))}
            value={choices.pattern}
            onChange={(code) => {
              const chosen = patterns.find((p) => p.code === code);
              if (chosen) setChoices(firstChoices(chosen, articles, choices));
            }}
            error={problem('pattern')}
          />
          {pattern.kind === 'BRACELET' ? (
            <BandSize choices={choices} set={set} problem={problem} />
          ) : (
            <LengthField
              label={t('newOrder.length')}
              value={choices.length ?? ''}
              onChange={(length) => set({ length })}
              error={problem('length')}
            />
          )}
          <Group grow align="flex-start">
            {pattern.slots.map((slot, i) => (
              <ArticleSelect
                key={slot}
                label={t(`slot.${slot}`)}
                kind="CORD"
                articles={articles}
                value={choices.colours[i]}
                onChange={(code) =>
                  set({ colours: choices.colours.map((c, k) => (k === i ? (code ?? '') : c)) })
                }
                error={problem(`colours[${i}]`)}
              />
            ))}
          </Group>
          {pattern.mostBeads > 0 && (
            <Group grow align="flex-start">
              <ArticleSelect
                label={t('hardware.BEAD')}
                kind="BEAD"
                clearable
                articles={articles}
                value={choices.bead}
                onChange={(bead) => set({ bead, beadCount: bead ? Math.max(1, choices.beadCount ?? 0) : 0 })}
                error={problem('bead')}
              />
              <NumberInput
                label={t('newOrder.beadCount')}
                min={0}
                max={pattern.mostBeads}
                clampBehavior="none"
                value={choices.beadCount ?? 0}
                onChange={(n) => set({ beadCount: Number(n) || 0 })}
                error={problem('beadCount')}
              />
            </Group>
          )}
          {pattern.ring && (
            <ArticleSelect
              label={t('hardware.RING')}
              kind="RING"
              articles={articles}
              value={choices.ring}
              onChange={(ring) => set({ ring })}
              error={problem('ring')}
            />
          )}
          <Group align="flex-start" wrap="nowrap">
            <NumberInput
              label={t('newOrder.quantity')}
              w={110}
              value={quantity}
              onChange={setQuantity}
              allowDecimal={false}
              error={refused?.field('lines[0].quantity')}
            />
            <Textarea
              label={t('newOrder.note')}
              flex={1}
              value={note}
              autosize
              minRows={1}
              onChange={(e) => setNote(e.currentTarget.value)}
              error={refused?.field('lines[0].note')}
            />
          </Group>
          <ProblemNote error={refused} shown={['customer', 'due', 'lines[0].quantity', 'lines[0].note']} />
          <Button type="submit" loading={take.isPending}>
            {t('newOrder.take')}
          </Button>
        </Stack>
      </Grid.Col>
      <Grid.Col span={{ base: 12, md: 7 }}>
        <Stack className="panel" p="md" mih={300}>
          <ProblemNote error={worked.error} />
          {worked.data?.piece ? (
            <PiecePanel piece={worked.data.piece} />
          ) : (
            live.map((p) => (
              <Text key={p.field} c="var(--act)">
                {p.text}
              </Text>
            ))
          )}
        </Stack>
      </Grid.Col>
    </Grid>
  );
}

interface SizeProps {
  choices: Choices;
  set: (change: Partial<Choices>) => void;
  problem: (field: string) => string | undefined;
}

function BandSize({ choices, set, problem }: SizeProps) {
  const { t } = useTranslation();
  const sizes = useQuery(sizesQuery);
  return (
    <>
      <Group grow align="flex-start">
        <Select
          label={t('newOrder.size')}
          clearable
          data={sizes.data?.sizes.map((s) => s.name) ?? []}
          value={choices.size ?? null}
          onChange={(size) => set({ size: size ?? undefined, wrist: size ? undefined : choices.wrist })}
          error={problem('size') !== undefined}
        />
        <LengthField
          label={t('newOrder.wrist')}
          value={choices.wrist ?? ''}
          onChange={(wrist) => set({ wrist, size: wrist ? undefined : choices.size })}
          error={problem('wrist') !== undefined}
        />
        <LengthField
          label={t('newOrder.hand')}
          value={choices.hand ?? ''}
          description={t('newOrder.handHint')}
          onChange={(hand) => set({ hand })}
          error={problem('hand') !== undefined}
        />
      </Group>
      {/* The three fields are too narrow for a sentence each. */}
      {['size', 'wrist', 'hand']
        .map((field) => problem(field))
        .map(
          (words) =>
            words && (
              <Text key={words} size="sm" c="var(--act)" role="alert">
                {words}
              </Text>
            ),
        )}
      <div>
        <Text size="sm" fw={500} id="ease-label">
          {t('newOrder.ease')}
        </Text>
        <SegmentedControl
          fullWidth
          aria-labelledby="ease-label"
          value={choices.ease ?? 'COMFORTABLE'}
          onChange={(ease) => set({ ease })}
          data={['SNUG', 'COMFORTABLE', 'LOOSE'].map((e) => ({ value: e, label: t(`ease.${e}`) }))}
        />
      </div>
    </>
  );
}
