import { Button, Grid, Group, NumberInput, Select, Stack, Switch, Textarea, TextInput } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useCallback, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Await, Empty, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { ChoiceFields } from '../../shared/piece/ChoiceFields';
import { firstChoices, withOffer } from '../../shared/piece/choices';
import { LivePiece, useLiveChoices } from '../../shared/piece/LivePiece';
import { patternsQuery } from '../../shared/piece/queries';
import { articlesQuery } from '../stock/queries';
import { useTakeOrder } from './queries';

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

const KINDS = ['BRACELET', 'FOB', 'NECK_LANYARD', 'WRIST_LANYARD'] as const;

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
  const [matching, setMatching] = useState(false);
  const [search] = useSearchParams();
  const wanted = { quantity: Number(quantity) || 0, matching, due };
  const {
    choices,
    put,
    set,
    problem: unworked,
    live,
  } = useLiveChoices(() => {
    const asked =
      patterns.find((p) => p.code === search.get('pattern')) ?? patterns.find((p) => p.code === 'square-bar');
    return firstChoices(asked ?? (patterns[0] as Schemas['PatternView']), articles);
  }, wanted);
  const pattern = patterns.find((p) => p.code === choices.pattern) ?? (patterns[0] as Schemas['PatternView']);
  const refused = take.error instanceof ProblemError ? take.error : undefined;
  const problem = useCallback(
    (field: string) => unworked(field) ?? refused?.field(`lines[0].${field}`),
    [unworked, refused],
  );

  const submit = (event: FormEvent) => {
    event.preventDefault();
    const body = {
      customer,
      due: due || undefined,
      lines: [{ choices: { ...choices, units }, quantity: wanted.quantity, matching, note }],
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
            searchable
            data={KINDS.map((kind) => ({
              group: t(`patternKind.${kind}`),
              items: patterns.filter((p) => p.kind === kind).map((p) => ({ value: p.code, label: p.name })),
            }))}
            value={choices.pattern}
            onChange={(code) => {
              const chosen = patterns.find((p) => p.code === code);
              if (chosen) put(firstChoices(chosen, articles, choices));
            }}
            error={problem('pattern')}
          />
          <ChoiceFields pattern={pattern} articles={articles} choices={choices} set={set} problem={problem} />
          {wanted.quantity > 1 && (
            <Switch
              label={t('newOrder.matching')}
              checked={matching}
              onChange={(e) => setMatching(e.currentTarget.checked)}
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
        <LivePiece live={live} onOffer={(offer) => put(withOffer(choices, offer, patterns, articles))} />
      </Grid.Col>
    </Grid>
  );
}
