import { Anchor, Button, Group, Stack, Text, Title } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { customerQuery } from '../../shared/customers';
import { formatDay, formatLength } from '../../shared/format';
import { Await, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { useSession } from '../../shared/session';
import { CustomerForm } from './CustomerForm';
import { CustomerOrders } from './CustomerOrders';
import { MergeForm } from './MergeForm';
import { useChangeCustomer, useForget, useSeparate } from './queries';

/** One customer: what is known of them, and what they ordered. */
export default function CustomerPage() {
  const { id = '' } = useParams();
  const customer = useQuery(customerQuery(Number(id)));
  return <Await query={customer}>{(c) => <Customer key={c.id} customer={c} />}</Await>;
}

function Customer({ customer }: { customer: Schemas['CustomerView'] }) {
  const { t } = useTranslation();
  const { data: session } = useSession();
  const owner = session?.role === 'OWNER';
  const [doing, setDoing] = useState<'change' | 'merge' | 'forget'>();
  const done = () => setDoing(undefined);
  return (
    <Page
      title={customer.nameless ? t('customers.nameless') : customer.name}
      actions={
        !customer.nameless && (
          <>
            {owner && (
              <>
                <Button
                  component="a"
                  variant="default"
                  href={`/api/customers/${customer.id}/export.json`}
                  download
                >
                  {t('customers.export')}
                </Button>
                <Button variant="default" onClick={() => setDoing('merge')}>
                  {t('customers.merge')}
                </Button>
                <Button variant="default" onClick={() => setDoing('forget')}>
                  {t('customers.forget')}
                </Button>
              </>
            )}
            <Button component={Link} to={`/orders/new?customer=${encodeURIComponent(customer.name)}`}>
              {t('orders.new')}
            </Button>
          </>
        )
      }
    >
      <Anchor component={Link} to="/customers" size="sm">
        {t('customers.all')}
      </Anchor>
      {doing === 'merge' && <MergeForm customer={customer} onClose={done} />}
      {doing === 'forget' && <ForgetForm customer={customer} onClose={done} />}
      {doing === 'change' ? (
        <Change customer={customer} onClose={done} />
      ) : (
        !customer.nameless && <Known customer={customer} onChange={() => setDoing('change')} />
      )}
      {customer.otherNames.length > 0 && <OtherNames customer={customer} owner={owner} />}
      <CustomerOrders customer={customer.id} />
    </Page>
  );
}

function Change({ customer, onClose }: { customer: Schemas['CustomerView']; onClose: () => void }) {
  const change = useChangeCustomer(customer.id);
  return (
    <CustomerForm
      customer={customer}
      onKeep={(body) => change.mutate(body, { onSuccess: onClose })}
      onClose={onClose}
      keeping={change.isPending}
      error={change.error}
    />
  );
}

function Known({ customer, onChange }: { customer: Schemas['CustomerView']; onChange: () => void }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const length = (um?: number) => (um ? formatLength(um, units, 'body') : '');
  const wrist = length(customer.wristUm);
  const hand = length(customer.handUm);
  const facts = [
    [t('customers.email'), customer.email],
    [t('customers.address'), customer.address],
    [t('customers.language'), customer.language],
    [t('customers.wrist'), wrist],
    [t('customers.hand'), hand],
  ].filter(([, value]) => value);
  return (
    <Stack className="panel" p="md" gap="xs" maw={760}>
      {facts.length === 0 && <Text>{t('customers.nothingKnown')}</Text>}
      {facts.map(([label, value]) => (
        <Group key={label} gap="sm" align="flex-start" wrap="nowrap">
          <Text c="dimmed" size="sm" w={130} style={{ flexShrink: 0 }}>
            {label}
          </Text>
          <Text style={{ whiteSpace: 'pre-line', overflowWrap: 'anywhere' }}>{value}</Text>
        </Group>
      ))}
      {customer.measuredOn && wrist && (
        <Text c="dimmed" size="sm">
          {t('customers.measured', { day: formatDay(customer.measuredOn) })}
        </Text>
      )}
      <Group>
        <Button size="compact-sm" variant="default" onClick={onChange}>
          {t('customers.change')}
        </Button>
      </Group>
    </Stack>
  );
}

function OtherNames({ customer, owner }: { customer: Schemas['CustomerView']; owner: boolean }) {
  const { t } = useTranslation();
  const separate = useSeparate();
  return (
    <Stack className="panel" p="md" gap="xs" maw={760}>
      <Title order={2} size="h4">
        {t('customers.otherNames')}
      </Title>
      <Text size="sm">{t('customers.otherNamesWords')}</Text>
      {customer.otherNames.map((name) => (
        <Group key={name.id} gap="sm">
          <Text>{name.name}</Text>
          {owner && (
            <Button
              size="compact-sm"
              variant="default"
              loading={separate.isPending && separate.variables === name.id}
              onClick={() => separate.mutate(name.id)}
              aria-label={t('customers.separateOf', { name: name.name })}
            >
              {t('customers.separate')}
            </Button>
          )}
        </Group>
      ))}
      <ProblemNote error={separate.error} />
    </Stack>
  );
}

function ForgetForm({ customer, onClose }: { customer: Schemas['CustomerView']; onClose: () => void }) {
  const { t } = useTranslation();
  const forget = useForget(customer.id);
  return (
    <Stack className="panel" p="md" gap="sm" maw={760} role="group" aria-label={t('customers.forget')}>
      <Text>{t('customers.forgetWords', { name: customer.name })}</Text>
      <ProblemNote error={forget.error} />
      <Group>
        <Button
          loading={forget.isPending}
          onClick={() =>
            forget.mutate(undefined, {
              onSuccess: () => {
                notifications.show({ message: t('customers.forgotten'), color: 'board' });
                onClose();
              },
            })
          }
        >
          {t('customers.forgetYes')}
        </Button>
        <Button variant="default" onClick={onClose}>
          {t('customers.leave')}
        </Button>
      </Group>
    </Stack>
  );
}
