import { Anchor, Button, Group, Stack, Text, TextInput, Title } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { formatDay } from '../../shared/format';
import { ProblemNote } from '../../shared/ProblemNote';
import { type FinishedOrder, type Parcel, useChangeParcel, useTakeBackParcel } from './queries';

/** What left, when and how; each can be set right, and taken back while nothing rests on it. */
export function Parcels({ order }: { order: FinishedOrder }) {
  const { t } = useTranslation();
  if (order.parcels.length === 0) return null;
  return (
    <Stack component="section" className="panel" p="md" gap="sm" aria-label={t('parcel.all')}>
      <Title order={2} size="h4">
        {t('parcel.all')}
      </Title>
      {order.parcels.map((parcel) => (
        <OneParcel key={parcel.id} order={order.order} parcel={parcel} />
      ))}
    </Stack>
  );
}

function OneParcel({ order, parcel }: { order: number; parcel: Parcel }) {
  const { t } = useTranslation();
  const back = useTakeBackParcel();
  const [editing, setEditing] = useState(false);
  const paper = (name: string, more = '') =>
    `/api/finished/${order}/${name}.pdf?paper=A4&parcel=${parcel.id}${more}`;
  return (
    <Stack gap={4}>
      <Text size="sm" fw={650}>
        {t('parcel.number', { number: parcel.number, day: formatDay(parcel.sentOn) })}
      </Text>
      <Text size="sm">
        {t('make.pieces', { count: parcel.pieces })} · {parcel.way || t('arrival.handedOver')}
        {parcel.tracking && ` · ${t('parcel.no', { number: parcel.tracking })}`}
        {parcel.takenOut > 0 && ` · ${t('parcel.takenOut', { count: parcel.takenOut })}`}
      </Text>
      {parcel.note && <Text size="sm">{parcel.note}</Text>}
      {editing ? (
        <Fields parcel={parcel} onClose={() => setEditing(false)} />
      ) : (
        <Group gap="xs">
          {parcel.pieces > 0 && (
            <>
              <Anchor size="sm" href={paper('delivery-note')} target="_blank">
                {t('finished.paper.delivery-note')}
              </Anchor>
              <Anchor size="sm" href={paper('packing-list')} target="_blank">
                {t('finished.paper.packing-list')}
              </Anchor>
            </>
          )}
          <Button size="compact-sm" variant="default" onClick={() => setEditing(true)}>
            {t('order.change')}
          </Button>
          {parcel.pieces > 0 && (
            <Button
              size="compact-sm"
              variant="subtle"
              loading={back.isPending}
              onClick={() => back.mutate(parcel.id)}
            >
              {t('parcel.takeBack')}
            </Button>
          )}
        </Group>
      )}
      <ProblemNote error={back.error} />
    </Stack>
  );
}

function Fields({ parcel, onClose }: { parcel: Parcel; onClose: () => void }) {
  const { t } = useTranslation();
  const change = useChangeParcel(parcel.id);
  const [typed, setTyped] = useState(parcel);
  const [seen] = useState(parcel.version);
  const set = (more: Partial<Parcel>) => setTyped({ ...typed, ...more });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const { sentOn, way, tracking, note } = typed;
    change.mutate({ sentOn, way, tracking, note, version: seen }, { onSuccess: onClose });
  };
  return (
    <Stack component="form" onSubmit={submit} gap="xs">
      <Group grow gap="xs">
        <TextInput
          type="date"
          label={t('parcel.day')}
          value={typed.sentOn}
          onChange={(e) => set({ sentOn: e.currentTarget.value })}
        />
        <TextInput
          label={t('arrival.way')}
          value={typed.way}
          maxLength={60}
          onChange={(e) => set({ way: e.currentTarget.value })}
        />
      </Group>
      <TextInput
        label={t('parcel.tracking')}
        value={typed.tracking}
        maxLength={80}
        onChange={(e) => set({ tracking: e.currentTarget.value })}
      />
      <TextInput
        label={t('newOrder.note')}
        value={typed.note}
        maxLength={400}
        onChange={(e) => set({ note: e.currentTarget.value })}
      />
      <ProblemNote error={change.error} />
      <Group gap="xs">
        <Button type="submit" size="compact-md" loading={change.isPending}>
          {t('line.keep')}
        </Button>
        <Button variant="default" size="compact-md" onClick={onClose}>
          {t('line.leave')}
        </Button>
      </Group>
    </Stack>
  );
}
