import { notifications } from '@mantine/notifications';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate, useSearchParams } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Page } from '../../shared/Page';
import { firstChoices } from '../../shared/piece/choices';
import { LineForm, type LineValues } from './LineForm';
import { Choosing, CustomerAndDay } from './OrderParts';
import { useTakeOrder } from './queries';

/** A new order of one line; more lines are added to it afterwards. */
export default function NewOrderPage() {
  const { t } = useTranslation();
  return (
    <Page title={t('newOrder.title')}>
      <Choosing>{(p, a) => <OrderForm patterns={p} articles={a} />}</Choosing>
    </Page>
  );
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
  const [search] = useSearchParams();
  const [customer, setCustomer] = useState(search.get('customer') ?? '');
  const [due, setDue] = useState('');
  const refused = take.error instanceof ProblemError ? take.error : undefined;
  const start = (): LineValues => {
    const asked =
      patterns.find((p) => p.code === search.get('pattern')) ?? patterns.find((p) => p.code === 'square-bar');
    return {
      choices: firstChoices(asked ?? (patterns[0] as Schemas['PatternView']), articles),
      quantity: 1,
      matching: false,
      note: '',
    };
  };
  const submit = (line: LineValues, draft: boolean) =>
    take.mutate(
      {
        customer,
        due: due || undefined,
        draft,
        lines: [{ ...line, choices: { ...line.choices, units } }],
      },
      {
        onSuccess: ({ id }) => {
          notifications.show({ message: t('newOrder.taken', { customer }), color: 'board' });
          navigate(`/orders/${id}`);
        },
      },
    );
  return (
    <LineForm
      patterns={patterns}
      articles={articles}
      start={start}
      due={due}
      field="lines[0]."
      error={take.error}
      shown={['customer', 'due']}
      busy={take.isPending}
      submit={t('newOrder.take')}
      onSubmit={(line) => submit(line, false)}
      other={{ label: t('newOrder.draft'), onClick: (line) => submit(line, true) }}
      head={
        <CustomerAndDay
          customer={customer}
          onCustomer={setCustomer}
          due={due}
          onDue={setDue}
          problem={(field) => refused?.field(field)}
        />
      }
    />
  );
}
