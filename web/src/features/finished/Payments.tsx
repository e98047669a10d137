import { Button, Checkbox, Group, NativeSelect, Stack, Text, TextInput, Title } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { Money } from '../../shared/Figures';
import { formatDay } from '../../shared/format';
import { ProblemNote } from '../../shared/ProblemNote';
import { usePay, useWithdrawPayment } from './queries';

type How = Schemas['PaymentView']['how'];

const HOWS: How[] = ['CASH', 'TRANSFER', 'CARD', 'OTHER'];

/** What of the price is paid, how and when. */
export function Payments({ order, paid }: { order: number; paid: Schemas['PaidView'] }) {
  const { t } = useTranslation();
  const withdraw = useWithdrawPayment(order);
  const [adding, setAdding] = useState(false);
  return (
    <Stack component="section" className="panel" p="md" gap="xs" aria-label={t('payment.title')}>
      <Group justify="space-between">
        <Title order={2} size="h4">
          {t('payment.title')}
        </Title>
        {!adding && (
          <Button size="compact-sm" variant="default" onClick={() => setAdding(true)}>
            {t('payment.add')}
          </Button>
        )}
      </Group>
      <Text size="sm">
        {paid.agreed !== undefined && (
          <>
            {t('payment.agreed')} <Money value={paid.agreed} /> ·{' '}
          </>
        )}
        {t('payment.paid')} <Money value={paid.paid} />
        {paid.open !== undefined && paid.open !== 0 && (
          <>
            {' '}
            · {t(paid.open > 0 ? 'finished.open' : 'payment.over')}{' '}
            <Money value={Math.abs(paid.open)} strong />
          </>
        )}
      </Text>
      {paid.payments.map((payment) => (
        <Group key={payment.id} justify="space-between" gap="xs" wrap="nowrap">
          <Text size="sm" td={payment.withdrawnAt ? 'line-through' : undefined}>
            {formatDay(payment.paidOn)} · {t(`payment.how.${payment.how}`)}{' '}
            {payment.amount < 0 && `${t('payment.back')} `}
            <Money value={Math.abs(payment.amount)} />
            {payment.note && ` · ${payment.note}`}
            {payment.withdrawnBy && ` · ${t('payment.withdrawn', { who: payment.withdrawnBy })}`}
          </Text>
          {!payment.withdrawnAt && (
            <Button
              size="compact-sm"
              variant="subtle"
              loading={withdraw.isPending}
              onClick={() => withdraw.mutate(payment.id)}
            >
              {t('payment.withdraw')}
            </Button>
          )}
        </Group>
      ))}
      <ProblemNote error={withdraw.error} />
      {adding && <Fields order={order} paid={paid} onClose={() => setAdding(false)} />}
    </Stack>
  );
}

interface FieldsProps {
  order: number;
  paid: Schemas['PaidView'];
  onClose: () => void;
}

function Fields({ order, paid, onClose }: FieldsProps) {
  const { t } = useTranslation();
  const pay = usePay(order);
  const [amount, setAmount] = useState(paid.open !== undefined && paid.open > 0 ? String(paid.open) : '');
  const [how, setHow] = useState<How>('TRANSFER');
  const [paidOn, setPaidOn] = useState('');
  const [note, setNote] = useState('');
  const [back, setBack] = useState(false);
  const problem = (field: string) => (pay.error instanceof ProblemError ? pay.error.field(field) : undefined);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    pay.mutate(
      { amount, how, paidOn: paidOn === '' ? undefined : paidOn, note, back },
      { onSuccess: onClose },
    );
  };
  return (
    <Stack component="form" onSubmit={submit} gap="xs">
      <Group grow gap="xs" align="flex-start">
        <TextInput
          label={t('payment.amount')}
          inputMode="decimal"
          value={amount}
          onChange={(e) => setAmount(e.currentTarget.value)}
          error={problem('amount')}
        />
        <NativeSelect
          label={t('payment.how')}
          value={how}
          onChange={(e) => setHow(e.currentTarget.value as How)}
          data={HOWS.map((value) => ({ value, label: t(`payment.how.${value}`) }))}
        />
      </Group>
      <Group grow gap="xs" align="flex-start">
        <TextInput
          type="date"
          label={t('payment.day')}
          description={t('parcel.today')}
          value={paidOn}
          onChange={(e) => setPaidOn(e.currentTarget.value)}
          error={problem('paidOn')}
        />
        <TextInput
          label={t('newOrder.note')}
          description={t('payment.noteWords')}
          value={note}
          maxLength={200}
          onChange={(e) => setNote(e.currentTarget.value)}
          error={problem('note')}
        />
      </Group>
      <Checkbox
        label={t('payment.givenBack')}
        checked={back}
        onChange={(e) => setBack(e.currentTarget.checked)}
      />
      <ProblemNote error={pay.error} shown={['amount', 'paidOn', 'note']} />
      <Group gap="xs">
        <Button type="submit" loading={pay.isPending}>
          {t('payment.keep')}
        </Button>
        <Button variant="default" onClick={onClose}>
          {t('line.leave')}
        </Button>
      </Group>
    </Stack>
  );
}
