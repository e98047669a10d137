import { Button, Group, Text, TextInput } from '@mantine/core';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { articlesQuery } from '../../shared/articles';
import { CustomerField } from '../../shared/CustomerField';
import { customerQuery, customersQuery } from '../../shared/customers';
import { formatDay, formatLength } from '../../shared/format';
import { Await, Empty } from '../../shared/Page';
import { patternsQuery } from '../../shared/piece/queries';

type Known = (patterns: Schemas['PatternView'][], articles: Schemas['Article'][]) => ReactNode;

/** Waits for the book and the shelves that pieces are chosen from; without any cord, the way to Stock. */
export function Choosing({ children }: { children: Known }) {
  const { t } = useTranslation();
  const patterns = useQuery(patternsQuery);
  const articles = useQuery(articlesQuery);
  return (
    <Await query={patterns}>
      {(p) => (
        <Await query={articles}>
          {(a) =>
            a.some((article) => article.kind === 'CORD') ? (
              children(p, a)
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
  );
}

interface HeadProps {
  customer: string;
  onCustomer: (customer: string) => void;
  due: string;
  onDue: (due: string) => void;
  problem: (field: string) => string | undefined;
}

/** The wrist that a known customer gave last. */
function LastGiven({ customer }: { customer: string }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const name = customer.trim();
  const found = useInfiniteQuery({ ...customersQuery(name), enabled: name !== '' });
  const known = found.data?.pages.flatMap((page) => page.rows).find((row) => row.name === name);
  const { data } = useQuery({ ...customerQuery(known?.id ?? 0), enabled: known !== undefined });
  if (!known || !data?.wristUm || !data.measuredOn) return null;
  return (
    <Text span inherit aria-live="polite">
      {t('customers.lastWrist', {
        day: formatDay(data.measuredOn),
        wrist: formatLength(data.wristUm, units, 'body'),
      })}
    </Text>
  );
}

/** For whom it is, and when it is wanted. */
export function CustomerAndDay({ customer, onCustomer, due, onDue, problem }: HeadProps) {
  const { t } = useTranslation();
  return (
    <Group grow align="flex-start">
      <CustomerField
        description={<LastGiven customer={customer} />}
        inputWrapperOrder={['label', 'input', 'description', 'error']}
        label={t('orders.customer')}
        value={customer}
        onChange={onCustomer}
        error={problem('customer')}
        data-autofocus
      />
      <TextInput
        type="date"
        label={t('newOrder.due')}
        value={due}
        onChange={(e) => onDue(e.currentTarget.value)}
        error={problem('due')}
      />
    </Group>
  );
}
