import { Button, Group, NativeSelect, Stack, Text, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import classes from './ImportPage.module.css';
import { Rows } from './ImportRows';

type How = Schemas['Request'];
type View = Schemas['FileView'];

interface SourceProps {
  view: View;
  how: How;
  onChange: (change: Partial<How>) => void;
}

/** How the file was recognised, where it comes from, and which of its columns holds what. */
export function Source({ view, how, named, onChange }: SourceProps & { named: boolean }) {
  const { t } = useTranslation();
  const missing = view.columns.filter((c) => c.needed && !c.column);
  const [open, setOpen] = useState(false);
  const [source, setSource] = useState(how.source ?? '');
  return (
    <Stack className="panel" p="sm" gap="xs">
      <Group gap="md" align="flex-end">
        {!named && (
          <TextInput
            label={t('import.source')}
            placeholder={t('import.sourceHint')}
            w={230}
            value={source}
            onChange={(e) => setSource(e.currentTarget.value)}
            onBlur={() => source !== (how.source ?? '') && onChange({ source })}
          />
        )}
        <Text size="sm" c="dimmed" pb={8}>
          {t('import.form', {
            kind: view.form.kind,
            encoding: view.form.encoding,
            separator: t(`import.separator.${SEPARATORS[view.form.separator] ?? 'none'}`),
            decimals: t(view.form.decimalComma ? 'import.comma' : 'import.point'),
          })}
        </Text>
        <Button size="compact-sm" variant="subtle" mb={6} onClick={() => setOpen(!open)}>
          {t('import.map')}
        </Button>
      </Group>
      {missing.length > 0 && (
        <Text size="sm" c="var(--act)" role="alert">
          {t('import.missing', { fields: missing.map((c) => c.field).join(', ') })}
        </Text>
      )}
      {(open || missing.length > 0) && (
        <Group gap="xs" align="flex-end">
          {view.columns.map((c) => (
            <NativeSelect
              key={c.field}
              w={150}
              size="xs"
              label={c.field + (c.needed ? ' *' : '')}
              data={[
                { value: '', label: t('import.noColumn') },
                ...new Set(view.fileColumns.filter(Boolean)),
              ]}
              value={c.column}
              error={c.needed && !c.column}
              onChange={(e) => onChange({ columns: { ...how.columns, [c.field]: e.currentTarget.value } })}
            />
          ))}
        </Group>
      )}
    </Stack>
  );
}

const SEPARATORS: Record<string, string> = { ',': 'comma', ';': 'semicolon', '\t': 'tab', '|': 'bar' };

interface SeenProps extends SourceProps {
  busy: boolean;
  onTake: (mode: 'ALL' | 'GOOD_ROWS') => void;
}

export function Seen({ view, how, busy, onTake, onChange }: SeenProps) {
  const { t } = useTranslation();
  const [onlyBad, setOnlyBad] = useState(false);
  const nothing = view.fresh + view.accepted === 0;
  return (
    <Stack gap="sm">
      <Group className={classes.bar} justify="space-between">
        <Group gap="md">
          <Text fw={600}>{t('import.fresh', { count: view.fresh, pieces: view.pieces })}</Text>
          {view.known > 0 && <Text>{t('import.known', { count: view.known })}</Text>}
          {view.different > 0 && (
            <Text>{t('import.different', { count: view.different, accepted: view.accepted })}</Text>
          )}
          {view.bad > 0 && (
            <Button size="compact-sm" variant="outline" color="coral" onClick={() => setOnlyBad(!onlyBad)}>
              {t(onlyBad ? 'import.showAll' : 'import.bad', { count: view.bad })}
            </Button>
          )}
        </Group>
        {nothing ? (
          <Text fw={600}>{t('import.nothingNew')}</Text>
        ) : (
          <Button loading={busy} onClick={() => onTake(view.bad > 0 ? 'GOOD_ROWS' : 'ALL')}>
            {t(view.bad > 0 ? 'import.takeGood' : 'import.takeAll', { count: view.fresh + view.accepted })}
          </Button>
        )}
      </Group>
      <Rows
        rows={onlyBad ? view.rows.filter((r) => r.state === 'BAD') : view.rows}
        how={how}
        onChange={onChange}
      />
      {view.rows.length < view.all && (
        <Text size="sm" c="dimmed">
          {t('import.firstRows', { shown: view.rows.length, count: view.all })}
        </Text>
      )}
    </Stack>
  );
}
