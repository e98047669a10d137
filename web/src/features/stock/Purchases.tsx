import { Button, Group, Stack, Table, Text, TextInput, Title } from '@mantine/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { useAmount } from '../../shared/amount';
import { Money } from '../../shared/Figures';
import { ProblemNote } from '../../shared/ProblemNote';
import { closePurchase, expectPurchase, useStockAct } from './queries';
import classes from './Supplies.module.css';

export function Bought({ purchases }: { purchases: Schemas['PurchaseView'][] }) {
  const { t } = useTranslation();
  const amount = useAmount();
  const { units } = useUnits();
  const close = useStockAct(closePurchase);
  if (purchases.length === 0) return null;
  return (
    <Stack className="panel" p="md" gap="xs">
      <Title order={2} size="h4">
        {t('buy.bought')}
      </Title>
      <ProblemNote error={close.error} />
      <Table.ScrollContainer minWidth={640}>
        <Table fz="sm" verticalSpacing={6}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('receive.supplier')}</Table.Th>
              <Table.Th>{t('receive.what')}</Table.Th>
              <Table.Th>{t('buy.expected')}</Table.Th>
              <Table.Th className="right">{t('receive.total')}</Table.Th>
              <Table.Th>{t('buy.next')}</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {purchases.map((p) => (
              <Table.Tr key={p.id}>
                <Table.Td>
                  {p.supplier}
                  <Text size="xs" c="dimmed">
                    {t('buy.number', { id: p.id, who: p.who })}
                  </Text>
                </Table.Td>
                <Table.Td>
                  {p.lines.map((l) => (
                    <div key={l.id}>
                      {l.count} × {l.articleCode} {amount(l.quantity, l.unit)}
                      {l.received > 0 && `, ${t('buy.came', { count: l.received })}`}
                    </div>
                  ))}
                </Table.Td>
                <Table.Td>{p.open ? <Expected purchase={p} /> : t('buy.closed')}</Table.Td>
                <Table.Td className="right">
                  <Money value={p.total} />
                  {p.open && p.total < p.minimum && (
                    <Text size="xs" className={classes.missing}>
                      {t('buy.minimum')} <Money value={p.minimum} />
                    </Text>
                  )}
                </Table.Td>
                <Table.Td>
                  <Group gap={6}>
                    {p.open && (
                      <Button component={Link} size="compact-sm" to={`/stock/receive?purchase=${p.id}`}>
                        {t('stock.receive')}
                      </Button>
                    )}
                    <Button
                      component="a"
                      size="compact-sm"
                      variant="default"
                      href={`/api/stock/purchases/${p.id}/list.pdf?units=${units}`}
                      target="_blank"
                    >
                      PDF
                    </Button>
                    <Button
                      component="a"
                      size="compact-sm"
                      variant="default"
                      href={`/api/stock/purchases/${p.id}/list.csv`}
                      download
                    >
                      CSV
                    </Button>
                    {p.open && (
                      <Button
                        size="compact-sm"
                        variant="default"
                        loading={close.isPending && close.variables === p.id}
                        onClick={() => close.mutate(p.id)}
                      >
                        {t('buy.close')}
                      </Button>
                    )}
                  </Group>
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      </Table.ScrollContainer>
    </Stack>
  );
}

/** The day on which it should come; the plan of days waits for it. */
function Expected({ purchase }: { purchase: Schemas['PurchaseView'] }) {
  const { t } = useTranslation();
  const expect = useStockAct(expectPurchase);
  const [day, setDay] = useState(purchase.expectedOn);
  return (
    <Group gap={6} wrap="nowrap">
      <TextInput
        type="date"
        size="xs"
        aria-label={t('buy.expectedOf', { id: purchase.id })}
        value={day}
        onChange={(e) => setDay(e.currentTarget.value)}
        error={expect.error instanceof ProblemError ? expect.error.field('day') : undefined}
      />
      {day !== purchase.expectedOn && day !== '' && (
        <Button
          size="compact-sm"
          loading={expect.isPending}
          onClick={() => expect.mutate({ id: purchase.id, day })}
        >
          {t('buy.expect')}
        </Button>
      )}
    </Group>
  );
}
