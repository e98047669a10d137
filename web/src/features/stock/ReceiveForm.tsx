import { Button, Group, Modal, NumberInput, Select, Stack, TextInput } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { LengthField } from '../../shared/LengthField';
import { ProblemNote } from '../../shared/ProblemNote';
import { useReceive } from './queries';

interface Props {
  opened: boolean;
  article?: number;
  articles: Schemas['Article'][];
  onClose: () => void;
}

/** A delivery: how many put-ups, how long each, what it all cost. */
export function ReceiveForm({ opened, article, articles, onClose }: Props) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const receive = useReceive();
  const [id, setId] = useState<number | undefined>(article);
  const [lot, setLot] = useState('');
  const [putUps, setPutUps] = useState<number | string>(1);
  const [each, setEach] = useState('');
  const [price, setPrice] = useState('');
  const [shelf, setShelf] = useState('');
  const [flawAt, setFlawAt] = useState('');
  const [measured, setMeasured] = useState('');
  const chosen = articles.find((a) => a.id === id);
  const cord = chosen === undefined || chosen.kind === 'CORD';
  const problem = (field: string) =>
    receive.error instanceof ProblemError ? receive.error.field(field) : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!chosen) return;
    receive.mutate(
      {
        article: chosen.id,
        lot,
        putUps: Number(putUps) || 0,
        each,
        price,
        shelf,
        flawAt: cord ? flawAt : '',
        measured: cord ? measured : '',
        units,
      },
      {
        onSuccess: () => {
          notifications.show({ message: t('receive.done', { name: chosen.name }), color: 'board' });
          onClose();
        },
      },
    );
  };
  return (
    <Modal opened={opened} onClose={onClose} title={t('receive.title')} centered>
      <Stack component="form" onSubmit={submit} gap="sm">
        <Select
          label={t('receive.article')}
          searchable
          data-autofocus
          allowDeselect={false}
          data={articles.map((a) => ({ value: String(a.id), label: `${a.name} (${a.code})` }))}
          value={id === undefined ? null : String(id)}
          onChange={(v) => setId(v === null ? undefined : Number(v))}
          error={receive.isError && !chosen ? t('receive.chooseArticle') : undefined}
        />
        <Group grow align="flex-start">
          <TextInput
            label={t('receive.lot')}
            value={lot}
            onChange={(e) => setLot(e.currentTarget.value)}
            error={problem('lot')}
          />
          <TextInput
            label={t('receive.shelf')}
            value={shelf}
            onChange={(e) => setShelf(e.currentTarget.value)}
            error={problem('shelf')}
          />
        </Group>
        <Group grow align="flex-start">
          <NumberInput
            label={t(cord ? 'receive.spools' : 'receive.boxes')}
            value={putUps}
            onChange={setPutUps}
            allowDecimal={false}
            error={problem('putUps')}
          />
          {cord ? (
            <LengthField
              label={t('receive.lengthEach')}
              value={each}
              onChange={setEach}
              error={problem('each')}
            />
          ) : (
            <TextInput
              label={t('receive.piecesEach')}
              value={each}
              onChange={(e) => setEach(e.currentTarget.value)}
              error={problem('each')}
            />
          )}
        </Group>
        <TextInput
          label={t('receive.price')}
          inputMode="decimal"
          value={price}
          onChange={(e) => setPrice(e.currentTarget.value)}
          error={problem('price')}
        />
        {cord && (
          <Group grow align="flex-start">
            <LengthField
              label={t('receive.measured')}
              value={measured}
              onChange={setMeasured}
              error={problem('measured')}
            />
            <LengthField
              label={t('receive.flawAt')}
              value={flawAt}
              onChange={setFlawAt}
              error={problem('flawAt')}
            />
          </Group>
        )}
        <ProblemNote
          error={receive.error}
          shown={['lot', 'shelf', 'putUps', 'each', 'price', 'measured', 'flawAt']}
        />
        <Button type="submit" loading={receive.isPending} disabled={!chosen}>
          {t('receive.submit')}
        </Button>
      </Stack>
    </Modal>
  );
}
