import { Anchor, Button, Stack, Table, Text, Title } from '@mantine/core';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate } from 'react-router';
import { formatDay } from '../../shared/format';
import { More } from '../../shared/More';
import { ordersQuery, useAgain } from '../../shared/orders';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';

/** What a customer ordered, newest first. */
export function CustomerOrders({ customer }: { customer: number }) {
  const { t } = useTranslation();
  const orders = useInfiniteQuery(ordersQuery({ customer }));
  return (
    <Stack gap="xs" maw={760}>
      <Title order={2} size="h4">
        {t('customers.ordered')}
      </Title>
      <Await query={orders}>
        {({ pages }) => {
          const rows = pages.flatMap((page) => page.rows);
          if (rows.length === 0) return <Text>{t('customers.orderedNothing')}</Text>;
          return (
            <>
              <Table.ScrollContainer minWidth={480} className="panel">
                <Table verticalSpacing={6}>
                  <Table.Thead>
                    <Table.Tr>
                      <Table.Th>{t('orders.reference')}</Table.Th>
                      <Table.Th>{t('customers.as')}</Table.Th>
                      <Table.Th className="right">{t('orders.pieces')}</Table.Th>
                      <Table.Th>{t('orders.due')}</Table.Th>
                      <Table.Th>{t('orders.state')}</Table.Th>
                      <Table.Th />
                    </Table.Tr>
                  </Table.Thead>
                  <Table.Tbody>
                    {rows.map((o) => (
                      <Table.Tr key={o.id}>
                        <Table.Td>
                          <Anchor component={Link} to={`/orders/${o.id}`}>
                            {o.reference}
                          </Anchor>
                        </Table.Td>
                        <Table.Td maw={240}>
                          <Text truncate inherit>
                            {o.customer || '–'}
                          </Text>
                        </Table.Td>
                        <Table.Td className="right">
                          <span className="figure">{o.pieces}</span>
                        </Table.Td>
                        <Table.Td>{o.due ? formatDay(o.due) : '–'}</Table.Td>
                        <Table.Td>{t(`state.${o.state}`)}</Table.Td>
                        <Table.Td>
                          <Again order={o.id} reference={o.reference} />
                        </Table.Td>
                      </Table.Tr>
                    ))}
                  </Table.Tbody>
                </Table>
              </Table.ScrollContainer>
              <More query={orders} />
            </>
          );
        }}
      </Await>
    </Stack>
  );
}

/** A draft of the same pieces, to look over before it is taken. */
function Again({ order, reference }: { order: number; reference: string }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const again = useAgain(order);
  return (
    <>
      <Button
        variant="default"
        size="compact-sm"
        mih={32}
        aria-label={t('customers.again', { reference })}
        loading={again.isPending}
        onClick={() => again.mutate(undefined, { onSuccess: ({ id }) => navigate(`/orders/${id}`) })}
      >
        {t('order.again')}
      </Button>
      <ProblemNote error={again.error} />
    </>
  );
}
