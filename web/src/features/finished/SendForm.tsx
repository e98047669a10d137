import {
  Autocomplete,
  Button,
  Group,
  NumberInput,
  Stack,
  Text,
  Textarea,
  TextInput,
  Title,
} from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { ProblemNote } from '../../shared/ProblemNote';
import { nextPieces } from '../../shared/pieces';
import { type FinishedOrder, useSend } from './queries';

interface Props {
  order: FinishedOrder;
  ways: Schemas['Way'][];
}

/** What leaves now: all that can, or so many pieces of each line. */
export function SendForm({ order, ways }: Props) {
  const { t } = useTranslation();
  const send = useSend(order.order);
  const lines = order.lines.filter((l) => l.onward.sendable > 0);
  const [counts, setCounts] = useState<Record<number, number | string>>({});
  const [way, setWay] = useState(order.way);
  const [tracking, setTracking] = useState('');
  const [sentOn, setSentOn] = useState('');
  const [note, setNote] = useState('');
  const [busy, setBusy] = useState(false);
  const [failed, setFailed] = useState<unknown>();
  if (order.onward.here === 0) return null;
  const problem = (field: string) =>
    send.error instanceof ProblemError ? send.error.field(field) : undefined;
  const count = (line: Schemas['FinishedLine']) => Number(counts[line.id] ?? line.onward.sendable) || 0;
  const all = lines.reduce((n, l) => n + count(l), 0);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    setFailed(undefined);
    try {
      const named = await Promise.all(
        lines
          .filter((l) => count(l) > 0)
          .map((l) => nextPieces(order.order, { act: 'SEND', count: count(l), line: l.number })),
      );
      const pieces = named.flat().map((row) => row.piece.piece);
      await send.mutateAsync({ pieces, way, tracking, note, sentOn: sentOn === '' ? undefined : sentOn });
      notifications.show({ message: t('parcel.sent', { count: pieces.length }), color: 'board' });
    } catch (error) {
      setFailed(error);
    } finally {
      setBusy(false);
    }
  };
  return (
    <Stack
      component="form"
      onSubmit={submit}
      className="panel"
      p="md"
      gap="sm"
      aria-label={t('parcel.title')}
    >
      <Title order={2} size="h4">
        {t('parcel.title')}
      </Title>
      {lines.length === 0 ? (
        <Text size="sm">{t('parcel.nothing')}</Text>
      ) : (
        <>
          {lines.map((line) => (
            <Group key={line.id} justify="space-between" wrap="nowrap">
              <Text size="sm">
                {line.patternName} · {line.colours.join(', ')}
              </Text>
              <NumberInput
                w={130}
                aria-label={t('parcel.count', { pattern: line.patternName })}
                suffix={` / ${line.onward.sendable}`}
                min={0}
                max={line.onward.sendable}
                allowDecimal={false}
                value={counts[line.id] ?? line.onward.sendable}
                onChange={(n) => setCounts({ ...counts, [line.id]: n })}
              />
            </Group>
          ))}
          <Group gap="sm" align="flex-start" grow>
            <TextInput
              type="date"
              label={t('parcel.day')}
              description={t('parcel.today')}
              value={sentOn}
              onChange={(e) => setSentOn(e.currentTarget.value)}
              error={problem('sentOn')}
            />
            <Autocomplete
              label={t('arrival.way')}
              description={t('parcel.wayWords')}
              data={ways.map((w) => w.name)}
              value={way}
              onChange={setWay}
              error={problem('way')}
              maxLength={60}
            />
            <TextInput
              label={t('parcel.tracking')}
              description={t('parcel.trackingWords')}
              value={tracking}
              onChange={(e) => setTracking(e.currentTarget.value)}
              error={problem('tracking')}
              maxLength={80}
            />
          </Group>
          <Textarea
            label={t('newOrder.note')}
            autosize
            minRows={1}
            value={note}
            onChange={(e) => setNote(e.currentTarget.value)}
            error={problem('note')}
            maxLength={400}
          />
          <ProblemNote error={failed} shown={['sentOn', 'way', 'tracking', 'note']} />
          <Group>
            <Button type="submit" mih={44} loading={busy} disabled={all === 0}>
              {t('parcel.send', { count: all })}
            </Button>
          </Group>
        </>
      )}
    </Stack>
  );
}
