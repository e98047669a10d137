import { Anchor, Button, Group, Stack, Text, Textarea, TextInput } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { CustomerField } from '../../shared/CustomerField';
import { formatDay, formatTime } from '../../shared/format';
import { ProblemNote } from '../../shared/ProblemNote';
import { changeOf } from './merge';
import { useChangeOrder } from './queries';

/** For whom, until when, and what to mind; changed in place. */
export function OrderHead({ order }: { order: Schemas['OrderView'] }) {
  const { t } = useTranslation();
  const [editing, setEditing] = useState(false);
  if (editing) return <HeadForm order={order} onClose={() => setEditing(false)} />;
  return (
    <Group gap="xl">
      <Anchor component={Link} to={`/customers/${order.customerId}`} fw={600}>
        {order.customer || t('customers.nameless')}
      </Anchor>
      <Text>{order.due ? t('order.due', { day: formatDay(order.due) }) : t('order.noDue')}</Text>
      {order.note && <Text>{order.note}</Text>}
      <Text c="dimmed" size="sm">
        {t(`order.by.${order.source === 'FORM' ? 'FORM' : 'FILE'}`, {
          who: order.createdBy,
          when: formatTime(order.createdAt),
        })}
      </Text>
      {order.acts.includes('CHANGE_HEAD') && (
        <Button size="compact-sm" variant="default" onClick={() => setEditing(true)}>
          {t('order.change')}
        </Button>
      )}
    </Group>
  );
}

function HeadForm({ order, onClose }: { order: Schemas['OrderView']; onClose: () => void }) {
  const { t } = useTranslation();
  const change = useChangeOrder(order.id);
  const [customer, setCustomer] = useState(order.customer);
  const [due, setDue] = useState(order.due ?? '');
  const [note, setNote] = useState(order.note);
  const [seen] = useState(order);
  const problem = (field: string) =>
    change.error instanceof ProblemError ? change.error.field(field) : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    // What somebody else made of it meanwhile has been told after a refusal; keeping again overwrites it knowingly.
    const told = change.isError;
    change.mutate(
      {
        customer: changeOf(seen.customer, order.customer, customer, told),
        due: changeOf(seen.due ?? '', order.due ?? '', due, told),
        note: changeOf(seen.note, order.note, note, told),
      },
      { onSuccess: onClose },
    );
  };
  return (
    <Stack component="form" onSubmit={submit} className="panel" p="md" gap="sm" maw={760}>
      <Group grow align="flex-start">
        <CustomerField
          label={t('orders.customer')}
          value={customer}
          onChange={setCustomer}
          error={problem('customer')}
        />
        <TextInput
          type="date"
          label={t('newOrder.due')}
          value={due}
          onChange={(e) => setDue(e.currentTarget.value)}
          error={problem('due')}
        />
      </Group>
      <Textarea
        label={t('newOrder.note')}
        value={note}
        autosize
        minRows={1}
        onChange={(e) => setNote(e.currentTarget.value)}
        error={problem('note')}
      />
      <ProblemNote error={change.error} shown={['customer', 'due', 'note']} />
      <Group>
        <Button type="submit" loading={change.isPending}>
          {t('line.keep')}
        </Button>
        <Button variant="default" onClick={onClose}>
          {t('line.leave')}
        </Button>
      </Group>
    </Stack>
  );
}
