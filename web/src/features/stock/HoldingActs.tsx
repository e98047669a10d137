import { Button, Group, NativeSelect, Stack, TextInput, Title } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { LengthField } from '../../shared/LengthField';
import { ProblemNote } from '../../shared/ProblemNote';
import { type HoldingAct, useHoldingAct } from './queries';

type Holding = Schemas['HoldingView'];

const OF_CORD: HoldingAct[] = [
  'COUNT',
  'BIN',
  'SELL',
  'SEND_BACK',
  'SPLIT',
  'MOVE',
  'FLAW',
  'JOIN',
  'UNFLAW',
  'OPEN',
];
const OF_PARTS: HoldingAct[] = ['COUNT', 'BIN', 'SELL', 'SEND_BACK', 'SPLIT', 'MERGE', 'MOVE', 'OPEN'];
const MEASURED = (act: HoldingAct) => !['MOVE', 'MERGE', 'OPEN'].includes(act);
const REASONED = (act: HoldingAct) => ['COUNT', 'BIN', 'SELL', 'SEND_BACK'].includes(act);

interface Props {
  holding: Holding;
  others: Holding[];
  cord: boolean;
}

/** What can be done with a holding besides cutting it; each act asks for just what it needs. */
export function HoldingActs({ holding, others, cord }: Props) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const perform = useHoldingAct(holding.id);
  const boxes = others.filter((h) => h.lotId === holding.lotId && h.id !== holding.id);
  const [act, setAct] = useState<HoldingAct>('COUNT');
  const [quantity, setQuantity] = useState('');
  const [reason, setReason] = useState('');
  const [shelf, setShelf] = useState(holding.shelf);
  const [into, setInto] = useState(0);
  const problem = (field: string) =>
    perform.error instanceof ProblemError ? perform.error.field(field) : undefined;
  const change = (next: HoldingAct) => {
    perform.reset();
    setAct(next);
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    perform.mutate(
      { act, quantity, reason, shelf, into: into || (boxes[0]?.id ?? 0), units },
      {
        onSuccess: () => {
          setQuantity('');
          setReason('');
        },
      },
    );
  };
  const label = t(`holdingAct.${act}.quantity`);
  const error = problem('quantity') ?? problem('at');
  return (
    <Stack component="form" onSubmit={submit} className="panel" p="sm" gap="xs">
      <Title order={3} size="h5">
        {t('holdingAct.title')}
      </Title>
      <Group align="flex-start" grow>
        <NativeSelect
          label={t('holdingAct.what')}
          value={act}
          onChange={(e) => change(e.currentTarget.value as HoldingAct)}
          data={(cord ? OF_CORD : OF_PARTS)
            .filter((a) => a !== 'MERGE' || boxes.length > 0)
            .filter((a) => a !== 'OPEN' || holding.openedAt === undefined)
            .map((a) => ({ value: a, label: t(`holdingAct.${a}`) }))}
        />
        {MEASURED(act) &&
          (cord ? (
            <LengthField
              label={label}
              description={t('lengthField.long')}
              value={quantity}
              onChange={setQuantity}
              error={error}
            />
          ) : (
            <TextInput
              label={label}
              value={quantity}
              onChange={(e) => setQuantity(e.currentTarget.value)}
              error={error}
            />
          ))}
        {REASONED(act) && (
          <TextInput
            label={t('setRight.reason')}
            value={reason}
            onChange={(e) => setReason(e.currentTarget.value)}
            error={problem('reason')}
          />
        )}
        {act === 'MOVE' && (
          <TextInput
            label={t('holdingAct.shelf')}
            value={shelf}
            onChange={(e) => setShelf(e.currentTarget.value)}
            error={problem('shelf')}
          />
        )}
        {act === 'MERGE' && (
          <NativeSelect
            label={t('holdingAct.into')}
            value={into || boxes[0]?.id}
            onChange={(e) => setInto(Number(e.currentTarget.value))}
            data={boxes.map((h) => ({ value: String(h.id), label: `${h.label} (${h.quantity})` }))}
            error={problem('into')}
          />
        )}
      </Group>
      <ProblemNote error={perform.error} shown={['quantity', 'at', 'reason', 'shelf', 'into']} />
      <Group>
        <Button type="submit" variant="default" loading={perform.isPending}>
          {t(`holdingAct.${act}.submit`)}
        </Button>
      </Group>
    </Stack>
  );
}
