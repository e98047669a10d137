import { Button, Group, Stack, Table, Text, Textarea, TextInput } from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { formatDay, formatLength } from '../../shared/format';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { Dialog } from './Dialog';
import { type Card, resizeQuery, useResize } from './queries';
import { spoken, stepWords } from './words';

const LONGEST_REASON = 400;

/** A finished piece in another size: what that takes first, and then doing it. */
export function Resize({ card, onClose }: { card: Card; onClose: () => void }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const [size, setSize] = useState('');
  const [reason, setReason] = useState('');
  const [asked] = useDebouncedValue(size.trim(), 300);
  const look = useQuery({ ...resizeQuery(card.piece.id, asked, units), enabled: asked !== '' });
  const go = useResize(card.piece.id);
  const wrong = asked !== '' && look.error instanceof ProblemError ? look.error.field('size') : undefined;
  return (
    <Dialog title={t('make.resize')} close={t('make.resize.close')} onClose={onClose}>
      <TextInput
        size="md"
        data-autofocus
        label={t('make.resize.size')}
        description={t('make.resize.size.how')}
        value={size}
        maxLength={40}
        onChange={(e) => setSize(e.currentTarget.value)}
        error={wrong}
      />
      {asked !== '' && !wrong && <Await query={look}>{(found) => <Takes card={card} found={found} />}</Await>}
      <Textarea
        size="md"
        rows={2}
        label={t('make.wrong.reason')}
        description={t('make.resize.why')}
        maxLength={LONGEST_REASON}
        value={reason}
        onChange={(e) => setReason(e.currentTarget.value)}
        error={go.error instanceof ProblemError ? go.error.field('reason') : undefined}
      />
      <ProblemNote error={go.error} shown={['reason']} />
      <Group>
        <Button
          size="md"
          loading={go.isPending}
          disabled={!look.data?.possible || look.isFetching || asked !== size.trim() || reason.trim() === ''}
          onClick={() => go.mutate({ to: { size: asked, units }, reason }, { onSuccess: onClose })}
        >
          {t('make.resize.go')}
        </Button>
      </Group>
    </Dialog>
  );
}

function Takes({ card, found }: { card: Card; found: Schemas['ResizeView'] }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  return (
    <Stack gap="xs" role="status">
      <Text>
        {t('make.resize.from', {
          was: formatLength(found.wasUm, units, 'body'),
          becomes: formatLength(found.expectedUm, units, 'body'),
        })}
      </Text>
      {found.possible ? (
        <Text size="sm">
          {t('make.resize.first', { words: stepWords(t, card, found.step, units) })} ·{' '}
          {t('make.wrong.minutes', { time: spoken(found.seconds) })}
          {found.readyThen &&
            ` · ${t(found.readyThen === found.readyNow ? 'make.wrong.sameDay' : 'make.wrong.later', {
              day: formatDay(found.readyThen),
            })}`}
        </Text>
      ) : (
        <Text fw={650}>{t('make.resize.impossible')}</Text>
      )}
      <Table withRowBorders={false} verticalSpacing={4}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>{t('make.strand')}</Table.Th>
            <Table.Th ta="right">{t('make.resize.there')}</Table.Th>
            <Table.Th ta="right">{t('make.resize.needs')}</Table.Th>
            <Table.Th>{t('make.resize.then')}</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {found.strands.map((s) => (
            <Table.Tr key={`${s.letter}`}>
              <Table.Td>
                {s.letter} · {card.strands[found.strands.indexOf(s)]?.articleCode}
              </Table.Td>
              <Table.Td ta="right">{formatLength(s.thereUm, units, 'cord')}</Table.Td>
              <Table.Td ta="right">{formatLength(s.needsUm, units, 'cut')}</Table.Td>
              <Table.Td>{t(`make.resize.fate.${s.fate}`)}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Stack>
  );
}
