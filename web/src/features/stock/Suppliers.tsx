import { Button, Group, Modal, NumberInput, Stack, Table, Text, TextInput, Title } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { Money } from '../../shared/Figures';
import { ProblemNote } from '../../shared/ProblemNote';
import { keepSupplier, useStockAct } from './queries';

type Supplier = Schemas['SupplierView'];

export function SupplierList({ suppliers }: { suppliers: Supplier[] }) {
  const { t } = useTranslation();
  const [edited, setEdited] = useState<Supplier | 'new'>();
  return (
    <Stack className="panel" p="md" gap="xs">
      <Group justify="space-between">
        <Title order={2} size="h4">
          {t('supplier.title')}
        </Title>
        <Button size="compact-md" variant="default" onClick={() => setEdited('new')}>
          {t('supplier.add')}
        </Button>
      </Group>
      {suppliers.length === 0 ? (
        <Text c="dimmed">{t('supplier.none')}</Text>
      ) : (
        <Table.ScrollContainer minWidth={560}>
          <Table fz="sm" verticalSpacing={4}>
            <Table.Thead>
              <Table.Tr>
                <Table.Th>{t('supplier.name')}</Table.Th>
                <Table.Th className="right">{t('supplier.lead')}</Table.Th>
                <Table.Th className="right">{t('supplier.minimum')}</Table.Th>
                <Table.Th>{t('supplier.note')}</Table.Th>
                <Table.Th>{t('buy.next')}</Table.Th>
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {suppliers.map((s) => (
                <Table.Tr key={s.id}>
                  <Table.Td>{s.name}</Table.Td>
                  <Table.Td className="right">{t('supplier.days', { count: s.leadDays })}</Table.Td>
                  <Table.Td className="right">
                    <Money value={s.minimum} />
                  </Table.Td>
                  <Table.Td>{s.note || '–'}</Table.Td>
                  <Table.Td>
                    <Button
                      size="compact-sm"
                      variant="default"
                      aria-label={t('changeIt', { name: s.name })}
                      onClick={() => setEdited(s)}
                    >
                      {t('supplier.change')}
                    </Button>
                  </Table.Td>
                </Table.Tr>
              ))}
            </Table.Tbody>
          </Table>
        </Table.ScrollContainer>
      )}
      {edited && (
        <SupplierForm supplier={edited === 'new' ? undefined : edited} onClose={() => setEdited(undefined)} />
      )}
    </Stack>
  );
}

function SupplierForm({ supplier, onClose }: { supplier?: Supplier; onClose: () => void }) {
  const { t } = useTranslation();
  const keep = useStockAct(keepSupplier);
  const [name, setName] = useState(supplier?.name ?? '');
  const [lead, setLead] = useState<number | string>(supplier?.leadDays ?? 7);
  const [minimum, setMinimum] = useState(supplier ? String(supplier.minimum) : '');
  const [note, setNote] = useState(supplier?.note ?? '');
  const problem = (field: string) =>
    keep.error instanceof ProblemError ? keep.error.field(field) : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(
      {
        id: supplier?.id,
        name,
        leadDays: Number(lead) || 0,
        minimum,
        note,
        version: supplier?.version ?? 0,
      },
      { onSuccess: onClose },
    );
  };
  return (
    <Modal opened onClose={onClose} title={t(supplier ? 'supplier.change' : 'supplier.add')} centered>
      <Stack component="form" onSubmit={submit} gap="sm">
        <TextInput
          label={t('supplier.name')}
          data-autofocus
          value={name}
          onChange={(e) => setName(e.currentTarget.value)}
          error={problem('name')}
        />
        <NumberInput
          label={t('supplier.leadDays')}
          allowDecimal={false}
          value={lead}
          onChange={setLead}
          error={problem('leadDays')}
        />
        <TextInput
          label={t('supplier.minimum')}
          inputMode="decimal"
          value={minimum}
          onChange={(e) => setMinimum(e.currentTarget.value)}
          error={problem('minimum')}
        />
        <TextInput
          label={t('supplier.note')}
          value={note}
          onChange={(e) => setNote(e.currentTarget.value)}
          error={problem('note')}
        />
        <ProblemNote error={keep.error} shown={['name', 'leadDays', 'minimum', 'note']} />
        <Button type="submit" loading={keep.isPending}>
          {t('supplier.keep')}
        </Button>
      </Stack>
    </Modal>
  );
}
