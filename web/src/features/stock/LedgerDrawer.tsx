import { Button, Drawer, Group, Stack, Table, Text, TextInput, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Length, Money } from '../../shared/Figures';
import { formatLength, formatTime } from '../../shared/format';
import { LengthField } from '../../shared/LengthField';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { ledgerQuery, useAdjust, useMeasureLot } from './queries';

interface Props {
  article: Schemas['Article'];
  holding?: Schemas['HoldingView'];
  onClose: () => void;
}

/** The ledger behind a holding or an article; a holding can be set right here. */
export function LedgerDrawer({ article, holding, onClose }: Props) {
  const { t } = useTranslation();
  const rows = useQuery(ledgerQuery(holding ? { holding: holding.id } : { article: article.id }));
  const cord = article.kind === 'CORD';
  const amount = (quantity: number) =>
    cord ? <Length um={quantity} kind="stock" /> : <span className="figure">{quantity}</span>;
  const title = holding
    ? t('ledger.ofHolding', { name: article.name, label: holding.label, lot: holding.lot })
    : t('ledger.ofArticle', { name: article.name });
  return (
    <Drawer opened onClose={onClose} position="right" size="xl" title={title}>
      <Stack>
        {holding && <SetRight holding={holding} cord={cord} />}
        {holding && cord && <MeasureLot holding={holding} />}
        <Await query={rows}>
          {(ledger) => (
            <Table.ScrollContainer minWidth={520}>
              <Table fz="sm" verticalSpacing={4}>
                <Table.Thead>
                  <Table.Tr>
                    <Table.Th>{t('ledger.when')}</Table.Th>
                    <Table.Th>{t('ledger.what')}</Table.Th>
                    <Table.Th className="right">{t('ledger.change')}</Table.Th>
                    <Table.Th className="right">{t('ledger.balance')}</Table.Th>
                    <Table.Th className="right">{t('ledger.value')}</Table.Th>
                  </Table.Tr>
                </Table.Thead>
                <Table.Tbody>
                  {ledger.map((l) => (
                    <Table.Tr key={l.id}>
                      <Table.Td>
                        {formatTime(l.at)}
                        <Text size="xs" c="dimmed">
                          {l.who}
                        </Text>
                      </Table.Td>
                      <Table.Td>
                        {t(`movement.${l.movement}`)} {l.holding}
                        <Text size="xs" c="dimmed">
                          {l.pieceId ? t('ledger.piece', { piece: l.pieceId }) : l.reason}
                        </Text>
                      </Table.Td>
                      <Table.Td className="right">{amount(l.quantity)}</Table.Td>
                      <Table.Td className="right">{amount(l.balance)}</Table.Td>
                      <Table.Td className="right">
                        <Money value={l.value} />
                      </Table.Td>
                    </Table.Tr>
                  ))}
                </Table.Tbody>
              </Table>
            </Table.ScrollContainer>
          )}
        </Await>
      </Stack>
    </Drawer>
  );
}

/** The true diameter of a lot: colours of one article differ. */
function MeasureLot({ holding }: { holding: Schemas['HoldingView'] }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const keep = useMeasureLot(holding.lotId);
  const [measured, setMeasured] = useState(
    holding.measuredUm === undefined ? '' : formatLength(holding.measuredUm, units, 'part'),
  );
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate({ measured, units });
  };
  return (
    <Stack component="form" onSubmit={submit} className="panel" p="sm" gap="xs">
      <Title order={3} size="h5">
        {t('measureLot.title', { lot: holding.lot })}
      </Title>
      <Group align="flex-start">
        <LengthField
          label={t('measureLot.measured')}
          value={measured}
          onChange={setMeasured}
          error={keep.error instanceof ProblemError ? keep.error.field('measured') : undefined}
        />
        <Button type="submit" variant="default" mt={25} loading={keep.isPending}>
          {t('measureLot.submit')}
        </Button>
      </Group>
      <ProblemNote error={keep.error} shown={['measured']} />
    </Stack>
  );
}

function SetRight({ holding, cord }: { holding: Schemas['HoldingView']; cord: boolean }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const adjust = useAdjust(holding.id);
  const [quantity, setQuantity] = useState('');
  const [reason, setReason] = useState('');
  const problem = (field: string) =>
    adjust.error instanceof ProblemError ? adjust.error.field(field) : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    adjust.mutate(
      { quantity, reason, units },
      {
        onSuccess: () => {
          setQuantity('');
          setReason('');
        },
      },
    );
  };
  return (
    <Stack component="form" onSubmit={submit} className="panel" p="sm" gap="xs">
      <Title order={3} size="h5">
        {t('setRight.title')}
      </Title>
      <Group align="flex-start" grow>
        {cord ? (
          <LengthField
            label={t('setRight.left')}
            value={quantity}
            onChange={setQuantity}
            error={problem('quantity')}
          />
        ) : (
          <TextInput
            label={t('setRight.left')}
            value={quantity}
            onChange={(e) => setQuantity(e.currentTarget.value)}
            error={problem('quantity')}
          />
        )}
        <TextInput
          label={t('setRight.reason')}
          value={reason}
          onChange={(e) => setReason(e.currentTarget.value)}
          error={problem('reason')}
        />
        <Button type="submit" variant="default" mt={25} loading={adjust.isPending}>
          {t('setRight.submit')}
        </Button>
      </Group>
      <ProblemNote error={adjust.error} shown={['quantity', 'reason']} />
    </Stack>
  );
}
