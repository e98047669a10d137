import { Button, Group, Stack, Table, Text, TextInput, Title } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Length } from '../../shared/Figures';
import { formatLength } from '../../shared/format';
import { ProblemNote } from '../../shared/ProblemNote';
import { useSession } from '../../shared/session';
import { useKeepSizes } from './queries';

/** Wrists and hands by size, and how much room a fit leaves. */
export function Sizes({ view }: { view: Schemas['SizesView'] }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const { data: session } = useSession();
  const [editing, setEditing] = useState(false);
  return (
    <Stack className="panel" p="md" gap="sm">
      <Group justify="space-between">
        <Title order={2} size="h4">
          {t('measures.sizes')}
        </Title>
        {session?.role === 'OWNER' && !editing && (
          <Button size="compact-sm" variant="default" onClick={() => setEditing(true)}>
            {t('measures.change')}
          </Button>
        )}
      </Group>
      {editing ? (
        <SizesForm view={view} onDone={() => setEditing(false)} />
      ) : (
        <>
          <Table verticalSpacing={3}>
            <Table.Thead>
              <Table.Tr>
                <Table.Th>{t('newOrder.size')}</Table.Th>
                <Table.Th className="right">{t('measures.wrist')}</Table.Th>
                <Table.Th className="right">{t('measures.hand')}</Table.Th>
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {view.sizes.map((s) => (
                <Table.Tr key={s.name}>
                  <Table.Td>{s.name}</Table.Td>
                  <Table.Td className="right">
                    <Length um={s.wristUm} kind="body" />
                  </Table.Td>
                  <Table.Td className="right">
                    <Length um={s.handUm} kind="body" />
                  </Table.Td>
                </Table.Tr>
              ))}
            </Table.Tbody>
          </Table>
          <Text size="sm">
            {t('newOrder.ease')}:{' '}
            {view.eases.map((e) => `${t(`ease.${e.ease}`)} ${formatLength(e.um, units, 'part')}`).join(' · ')}
          </Text>
        </>
      )}
    </Stack>
  );
}

interface SizeText {
  name: string;
  wrist: string;
  hand: string;
}

function SizesForm({ view, onDone }: { view: Schemas['SizesView']; onDone: () => void }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const keep = useKeepSizes();
  const [revision] = useState(view.revision);
  const text = (um: number) => formatLength(um, units, 'body');
  const [rows, setRows] = useState<SizeText[]>(() =>
    view.sizes.map((s) => ({ name: s.name, wrist: text(s.wristUm), hand: text(s.handUm) })),
  );
  const [eases, setEases] = useState<Record<string, string>>(() =>
    Object.fromEntries(view.eases.map((e) => [e.ease, formatLength(e.um, units, 'part')])),
  );
  const problem = (field: string) =>
    keep.error instanceof ProblemError ? keep.error.field(field) : undefined;
  const change = (at: number, part: Partial<SizeText>) =>
    setRows(rows.map((row, i) => (i === at ? { ...row, ...part } : row)));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(
      { sizes: rows, eases, units, revision },
      {
        onSuccess: () => {
          notifications.show({ message: t('measures.sizesKept'), color: 'board' });
          onDone();
        },
      },
    );
  };
  return (
    <Stack component="form" onSubmit={submit} gap="xs">
      {rows.map((row, i) => (
        <Group key={i} gap="xs" align="flex-start" wrap="nowrap">
          <TextInput
            aria-label={t('measures.sizeName', { number: i + 1 })}
            value={row.name}
            w={70}
            onChange={(e) => change(i, { name: e.currentTarget.value })}
            error={problem(`sizes[${i}].name`)}
          />
          <TextInput
            aria-label={t('measures.sizeWrist', { name: row.name })}
            value={row.wrist}
            flex={1}
            onChange={(e) => change(i, { wrist: e.currentTarget.value })}
            error={problem(`sizes[${i}].wrist`)}
          />
          <TextInput
            aria-label={t('measures.sizeHand', { name: row.name })}
            value={row.hand}
            flex={1}
            onChange={(e) => change(i, { hand: e.currentTarget.value })}
            error={problem(`sizes[${i}].hand`)}
          />
          <Button
            variant="subtle"
            px={6}
            aria-label={t('measures.sizeRemove', { name: row.name })}
            onClick={() => setRows(rows.filter((_, k) => k !== i))}
          >
            ×
          </Button>
        </Group>
      ))}
      <Group>
        <Button
          size="compact-sm"
          variant="default"
          onClick={() => setRows([...rows, { name: '', wrist: '', hand: '' }])}
        >
          {t('measures.sizeAdd')}
        </Button>
      </Group>
      <Group grow align="flex-start">
        {Object.entries(eases).map(([ease, value]) => (
          <TextInput
            key={ease}
            label={t(`ease.${ease}`)}
            value={value}
            onChange={(e) => setEases({ ...eases, [ease]: e.currentTarget.value })}
            error={problem(`eases.${ease}`)}
          />
        ))}
      </Group>
      <ProblemNote
        error={keep.error}
        shown={[
          ...rows.flatMap((_, i) => ['name', 'wrist', 'hand'].map((f) => `sizes[${i}].${f}`)),
          ...Object.keys(eases).map((e) => `eases.${e}`),
        ]}
      />
      <Group>
        <Button type="submit" loading={keep.isPending}>
          {t('measures.keepSizes')}
        </Button>
        <Button variant="default" onClick={onDone}>
          {t('measures.leave')}
        </Button>
      </Group>
    </Stack>
  );
}
