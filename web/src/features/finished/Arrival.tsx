import { Autocomplete, Button, Group, NumberInput, Stack, Text, TextInput, Title } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { formatDay } from '../../shared/format';
import { ProblemNote } from '../../shared/ProblemNote';
import { type FinishedOrder, useArrival } from './queries';

interface Props {
  order: FinishedOrder;
  ways: Schemas['Way'][];
}

/** How the order goes, and when it must leave to be there in time. */
export function Arrival({ order, ways }: Props) {
  const { t } = useTranslation();
  const [editing, setEditing] = useState(false);
  return (
    <Stack component="section" className="panel" p="md" gap="xs" aria-label={t('arrival.title')}>
      <Group justify="space-between">
        <Title order={2} size="h4">
          {t('arrival.title')}
        </Title>
        {!editing && (
          <Button size="compact-sm" variant="default" onClick={() => setEditing(true)}>
            {t('order.change')}
          </Button>
        )}
      </Group>
      {editing ? (
        <Fields order={order} ways={ways} onClose={() => setEditing(false)} />
      ) : (
        <Text size="sm">{arrivalWords(t, order)}</Text>
      )}
    </Stack>
  );
}

function arrivalWords(t: ReturnType<typeof useTranslation>['t'], order: FinishedOrder): string {
  const way = order.way === '' ? t('arrival.handedOver') : order.way;
  if (!order.due || !order.arrives) return t('arrival.anyDay', { way, count: order.wayDays });
  return order.wayDays === 0
    ? t('arrival.sameDay', { way, day: formatDay(order.due) })
    : t('arrival.days', {
        way,
        count: order.wayDays,
        leaves: formatDay(order.due),
        arrives: formatDay(order.arrives),
      });
}

function Fields({ order, ways, onClose }: Props & { onClose: () => void }) {
  const { t } = useTranslation();
  const keep = useArrival(order.order);
  const [way, setWay] = useState(order.way);
  const [days, setDays] = useState<number | string>(order.wayDays);
  const [arrives, setArrives] = useState(order.arrives ?? '');
  const problem = (field: string) =>
    keep.error instanceof ProblemError ? keep.error.field(field) : undefined;
  const choose = (name: string) => {
    setWay(name);
    const known = ways.find((w) => w.name === name);
    if (known) setDays(known.days);
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(
      { way, days: Number(days) || 0, arrives: arrives === '' ? undefined : arrives, due: order.due },
      { onSuccess: onClose },
    );
  };
  return (
    <Stack component="form" onSubmit={submit} gap="xs">
      <Group gap="sm" align="flex-start" grow>
        <Autocomplete
          label={t('arrival.way')}
          placeholder={t('arrival.handedOver')}
          data={ways.map((w) => w.name)}
          value={way}
          onChange={choose}
          error={problem('way')}
          maxLength={60}
        />
        <NumberInput
          label={t('arrival.underWay')}
          value={days}
          onChange={setDays}
          min={0}
          max={60}
          allowDecimal={false}
          error={problem('days')}
        />
      </Group>
      <TextInput
        type="date"
        label={t('arrival.mustArrive')}
        description={t('arrival.words')}
        value={arrives}
        onChange={(e) => setArrives(e.currentTarget.value)}
        error={problem('arrives')}
      />
      <ProblemNote error={keep.error} shown={['way', 'days', 'arrives']} />
      <Group gap="xs">
        <Button type="submit" loading={keep.isPending}>
          {t('line.keep')}
        </Button>
        <Button variant="default" onClick={onClose}>
          {t('line.leave')}
        </Button>
      </Group>
    </Stack>
  );
}
