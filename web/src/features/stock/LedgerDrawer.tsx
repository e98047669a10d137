import { Button, Drawer, Group, Stack, Table, Text, TextInput, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { useAmount } from '../../shared/amount';
import { Money } from '../../shared/Figures';
import { formatLength, formatTime } from '../../shared/format';
import { LengthField } from '../../shared/LengthField';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { HoldingActs } from './HoldingActs';
import { asOfQuery, eventsQuery, ledgerQuery, useMeasureLot, useTakeBack } from './queries';

interface Props {
  article: Schemas['Article'];
  holding?: Schemas['HoldingView'];
  /** The other holdings of the article. */
  others: Schemas['HoldingView'][];
  onClose: () => void;
}

/** The ledger behind a holding or an article; a holding can be set right here. */
export function LedgerDrawer({ article, holding, others, onClose }: Props) {
  const { t } = useTranslation();
  const [until, setUntil] = useState('');
  const of = {
    ...(holding ? { holding: holding.id } : { article: article.id }),
    until: until || undefined,
  };
  const rows = useQuery(ledgerQuery(of));
  const asOf = useQuery(asOfQuery(of));
  const back = useTakeBack();
  const cord = article.kind === 'CORD';
  const print = useAmount();
  const amount = (quantity: number) => <span className="figure">{print(quantity, article.unit)}</span>;
  const title = holding
    ? t('ledger.ofHolding', { name: article.name, label: holding.label, lot: holding.lot })
    : t('ledger.ofArticle', { name: article.name });
  return (
    <Drawer opened onClose={onClose} position="right" size="xl" title={title}>
      <Stack>
        {holding && <HoldingActs holding={holding} others={others} cord={cord} />}
        {holding && cord && <MeasureLot holding={holding} />}
        <Group align="flex-end" gap="sm">
          <TextInput
            type="date"
            label={t('ledger.until')}
            value={until}
            onChange={(e) => setUntil(e.currentTarget.value)}
          />
          {asOf.data && (
            <Text pb={8}>
              {t('ledger.asOf')} {amount(asOf.data.quantity)}, <Money value={asOf.data.value} />
            </Text>
          )}
          <Button
            component="a"
            variant="default"
            href={`/api/stock/ledger.csv?${new URLSearchParams(
              Object.entries(of).flatMap(([k, v]) => (v === undefined ? [] : [[k, String(v)]])),
            )}`}
            download
          >
            {t('exportCsv')}
          </Button>
        </Group>
        <ProblemNote error={back.error} />
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
                          {l.takenBack && ` (${t('ledger.takenBack')})`}
                        </Text>
                        {l.canBeTakenBack && (
                          <Button
                            size="compact-xs"
                            variant="default"
                            loading={back.isPending && back.variables === l.id}
                            onClick={() => back.mutate(l.id)}
                          >
                            {t('ledger.takeBack')}
                          </Button>
                        )}
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
        {holding && <Events holding={holding.id} />}
      </Stack>
    </Drawer>
  );
}

/** What became of a holding besides its movements. */
function Events({ holding }: { holding: number }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const events = useQuery(eventsQuery(holding));
  if (!events.data?.length) return null;
  return (
    <Stack gap={4}>
      <Title order={3} size="h5">
        {t('events.title')}
      </Title>
      {events.data.map((e, i) => (
        <Text key={i} size="sm">
          {t(`events.${e.what}`, {
            detail: /^\d+$/.test(e.detail) ? formatLength(Number(e.detail), units, 'stock') : e.detail,
          })}{' '}
          <Text span size="xs" c="dimmed">
            {formatTime(e.at)} {e.who}
          </Text>
        </Text>
      ))}
    </Stack>
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
          description={t('lengthField.thin')}
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
