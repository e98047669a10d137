import { Button, Group, Select, Stack, Table, Text, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Money } from '../../shared/Figures';
import { LengthField } from '../../shared/LengthField';
import { ProblemNote } from '../../shared/ProblemNote';
import { Section, useCardAmount } from './ArticleSection';
import { addPutUp, suppliersQuery, useStockAct, withdrawPutUp } from './queries';

type Card = Schemas['CardView'];

export function PutUps({ card }: { card: Card }) {
  const { t } = useTranslation();
  const amount = useCardAmount(card);
  const withdraw = useStockAct(withdrawPutUp);
  return (
    <Section title={t('card.putUps')}>
      {card.putUps.length === 0 ? (
        <Text c="dimmed">{t('card.noPutUps')}</Text>
      ) : (
        <Table fz="sm" verticalSpacing={4}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('receive.supplier')}</Table.Th>
              <Table.Th className="right">{t('card.putUp')}</Table.Th>
              <Table.Th className="right">{t('card.price')}</Table.Th>
              <Table.Th>{t('buy.next')}</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {card.putUps.map((p) => (
              <Table.Tr key={p.id}>
                <Table.Td>
                  {p.supplier}
                  <Text size="xs" c="dimmed">
                    {t('supplier.days', { count: p.leadDays })} {p.code && `· ${p.code}`}
                  </Text>
                </Table.Td>
                <Table.Td className="right">
                  <span className="figure">{amount(p.quantity)}</span>
                </Table.Td>
                <Table.Td className="right">
                  <Money value={p.price} />
                </Table.Td>
                <Table.Td>
                  <Button
                    size="compact-xs"
                    variant="default"
                    loading={withdraw.isPending && withdraw.variables === p.id}
                    onClick={() => withdraw.mutate(p.id)}
                  >
                    {t('card.withdraw')}
                  </Button>
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
      <ProblemNote error={withdraw.error} />
      <PutUpForm card={card} />
    </Section>
  );
}

function PutUpForm({ card: { article } }: { card: Card }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const suppliers = useQuery(suppliersQuery);
  const add = useStockAct(addPutUp);
  const [supplier, setSupplier] = useState<string | null>(null);
  const [quantity, setQuantity] = useState('');
  const [price, setPrice] = useState('');
  const [code, setCode] = useState('');
  const problem = (field: string) => (add.error instanceof ProblemError ? add.error.field(field) : undefined);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    add.mutate(
      { article: article.id, supplier: Number(supplier) || 0, quantity, price, code, units },
      {
        onSuccess: () => {
          setQuantity('');
          setPrice('');
          setCode('');
        },
      },
    );
  };
  if (suppliers.data?.length === 0) {
    return (
      <Text size="sm">
        <Link to="/stock/buy">{t('card.noSuppliers')}</Link>
      </Text>
    );
  }
  return (
    <Stack component="form" onSubmit={submit} gap="xs">
      <Group grow align="flex-start">
        <Select
          label={t('receive.supplier')}
          data={(suppliers.data ?? []).map((s) => ({ value: String(s.id), label: s.name }))}
          value={supplier}
          onChange={setSupplier}
          error={problem('supplier')}
        />
        <TextInput
          label={t('card.code')}
          value={code}
          onChange={(e) => setCode(e.currentTarget.value)}
          error={problem('code')}
        />
      </Group>
      <Group grow align="flex-start">
        {article.unit === 'METRE' ? (
          <LengthField
            label={t('card.putUp')}
            description={t('lengthField.long')}
            value={quantity}
            onChange={setQuantity}
            error={problem('quantity')}
          />
        ) : (
          <TextInput
            label={t(`receive.each.${article.unit}`)}
            inputMode={article.unit === 'PIECE' ? 'numeric' : undefined}
            value={quantity}
            onChange={(e) => setQuantity(e.currentTarget.value)}
            error={problem('quantity')}
          />
        )}
        <TextInput
          label={t('card.price')}
          inputMode="decimal"
          value={price}
          onChange={(e) => setPrice(e.currentTarget.value)}
          error={problem('price')}
        />
      </Group>
      <ProblemNote error={add.error} shown={['supplier', 'code', 'quantity', 'price']} />
      <Button type="submit" variant="default" w="fit-content" loading={add.isPending}>
        {t('card.addPutUp')}
      </Button>
    </Stack>
  );
}
