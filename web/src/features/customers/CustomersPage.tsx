import { Anchor, Button, FileButton, Table, Text, TextInput } from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { notifications } from '@mantine/notifications';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate } from 'react-router';
import { useUnits } from '../../app/units';
import { customersQuery } from '../../shared/customers';
import { formatDay } from '../../shared/format';
import { More } from '../../shared/More';
import { Await, Empty, Page } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { useSession } from '../../shared/session';
import { CustomerForm } from './CustomerForm';
import { useAddCustomer, useReadCustomers } from './queries';

/** Everybody who orders. */
export default function CustomersPage() {
  const { t } = useTranslation();
  const { units } = useUnits();
  const { data: session } = useSession();
  const [typed, setTyped] = useState('');
  const [query] = useDebouncedValue(typed.trim(), 150);
  const customers = useInfiniteQuery(customersQuery(query));
  const read = useReadCustomers(units);
  const [adding, setAdding] = useState(false);
  const take = (file: File | null) => {
    if (!file) return;
    read.mutate(file, {
      onSuccess: ({ added, changed }) =>
        notifications.show({ message: t('customers.read', { added, changed }), color: 'board' }),
    });
  };
  return (
    <Page
      title={t('customers.title')}
      actions={
        <>
          {session?.role === 'OWNER' && (
            <>
              <Button component="a" variant="default" href="/api/customers/file.csv" download>
                {t('exportCsv')}
              </Button>
              <FileButton onChange={take} accept=".csv,.json,text/csv,application/json">
                {(props) => (
                  <Button {...props} variant="default" loading={read.isPending}>
                    {t('customers.import')}
                  </Button>
                )}
              </FileButton>
            </>
          )}
          <Button onClick={() => setAdding(true)}>{t('customers.new')}</Button>
        </>
      }
    >
      <ProblemNote error={read.error} />
      {adding && <NewCustomer onClose={() => setAdding(false)} />}
      <TextInput
        type="search"
        w={280}
        label={t('customers.search')}
        placeholder={t('customers.searchHint')}
        value={typed}
        onChange={(e) => setTyped(e.currentTarget.value)}
      />
      <Await query={customers}>
        {({ pages }) => {
          const rows = pages.flatMap((page) => page.rows);
          if (rows.length === 0) return <Empty words={t(query ? 'customers.noneFound' : 'customers.none')} />;
          return (
            <>
              <Table.ScrollContainer minWidth={560} className="panel" maw={860}>
                <Table verticalSpacing={6}>
                  <Table.Thead>
                    <Table.Tr>
                      <Table.Th>{t('customers.name')}</Table.Th>
                      <Table.Th>{t('customers.email')}</Table.Th>
                      <Table.Th className="right">{t('customers.orders')}</Table.Th>
                      <Table.Th>{t('customers.newest')}</Table.Th>
                    </Table.Tr>
                  </Table.Thead>
                  <Table.Tbody>
                    {rows.map((c) => (
                      <Table.Tr key={c.id}>
                        <Table.Td maw={340}>
                          <Anchor component={Link} to={`/customers/${c.id}`} display="block" truncate>
                            {c.name}
                          </Anchor>
                        </Table.Td>
                        <Table.Td maw={240}>
                          <Text truncate inherit>
                            {c.email || '–'}
                          </Text>
                        </Table.Td>
                        <Table.Td className="right">
                          <span className="figure">{c.orders}</span>
                        </Table.Td>
                        <Table.Td>{c.newest ? formatDay(c.newest) : '–'}</Table.Td>
                      </Table.Tr>
                    ))}
                  </Table.Tbody>
                </Table>
              </Table.ScrollContainer>
              <More query={customers} />
            </>
          );
        }}
      </Await>
    </Page>
  );
}

function NewCustomer({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate();
  const add = useAddCustomer();
  return (
    <CustomerForm
      onKeep={(body) => add.mutate(body, { onSuccess: ({ id }) => navigate(`/customers/${id}`) })}
      onClose={onClose}
      keeping={add.isPending}
      error={add.error}
    />
  );
}
