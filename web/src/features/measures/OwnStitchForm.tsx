import { Button, Group, NumberInput, Select, Stack, Text, TextInput, Title } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { LengthField } from '../../shared/LengthField';
import { ProblemNote } from '../../shared/ProblemNote';
import { useKeepStitch } from './queries';

/** A stitch that no geometry describes, known by its swatch alone. */
export function OwnStitchForm({ materials }: { materials: Schemas['MaterialView'][] }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const keep = useKeepStitch();
  const [open, setOpen] = useState(false);
  const [texts, setTexts] = useState<Record<string, string>>({ working: '2 mm' });
  const [material, setMaterial] = useState('polyester');
  const [counts, setCounts] = useState<Record<string, number>>({ strands: 2, cores: 2, repeats: 20 });
  const text = (field: string) => texts[field] ?? '';
  const problem = (field: string) =>
    keep.error instanceof ProblemError ? keep.error.field(field) : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(
      {
        name: text('name'),
        strands: counts.strands ?? 0,
        cores: counts.cores ?? 0,
        repeats: counts.repeats ?? 0,
        material,
        working: text('working'),
        body: text('body'),
        used: text('used'),
        thickness: text('thickness'),
        width: text('width'),
        units,
      },
      {
        onSuccess: () => {
          notifications.show({ message: t('ownStitch.kept', { name: text('name') }), color: 'board' });
          setOpen(false);
        },
      },
    );
  };
  if (!open)
    return (
      <Stack className="panel" p="md" gap="sm">
        <Title order={2} size="h4">
          {t('ownStitch.title')}
        </Title>
        <Text size="sm" c="dimmed">
          {t('ownStitch.hint')}
        </Text>
        <Group>
          <Button variant="default" onClick={() => setOpen(true)}>
            {t('ownStitch.new')}
          </Button>
        </Group>
      </Stack>
    );
  return (
    <Stack component="form" onSubmit={submit} className="panel" p="md" gap="sm">
      <Title order={2} size="h4">
        {t('ownStitch.title')}
      </Title>
      <TextInput
        label={t('ownStitch.name')}
        value={text('name')}
        onChange={(e) => setTexts({ ...texts, name: e.currentTarget.value })}
        error={problem('name')}
      />
      <Group grow align="flex-start">
        {(['strands', 'cores', 'repeats'] as const).map((field) => (
          <NumberInput
            key={field}
            label={t(`ownStitch.${field}`)}
            value={counts[field]}
            clampBehavior="none"
            onChange={(n) => setCounts({ ...counts, [field]: Number(n) || 0 })}
            error={problem(field)}
          />
        ))}
      </Group>
      <Group grow align="flex-start">
        <Select
          label={t('articleForm.material')}
          allowDeselect={false}
          value={material}
          data={materials.map((m) => ({ value: m.code, label: m.name }))}
          onChange={(v) => v && setMaterial(v)}
          error={problem('material')}
        />
        <LengthField
          label={t('measures.working')}
          value={text('working')}
          onChange={(v) => setTexts({ ...texts, working: v })}
          error={problem('working')}
        />
      </Group>
      {(
        [
          ['body', 'used'],
          ['thickness', 'width'],
        ] as const
      ).map((row) => (
        <Group key={row[0]} grow align="flex-start">
          {row.map((field) => (
            <LengthField
              key={field}
              label={t(field === 'body' || field === 'used' ? `measures.${field}` : `ownStitch.${field}`)}
              value={text(field)}
              onChange={(v) => setTexts({ ...texts, [field]: v })}
              error={problem(field)}
            />
          ))}
        </Group>
      ))}
      <ProblemNote
        error={keep.error}
        shown={[
          'name',
          'strands',
          'cores',
          'repeats',
          'material',
          'working',
          'body',
          'used',
          'thickness',
          'width',
        ]}
      />
      <Group>
        <Button type="submit" loading={keep.isPending}>
          {t('ownStitch.keep')}
        </Button>
        <Button variant="default" onClick={() => setOpen(false)}>
          {t('measures.leave')}
        </Button>
      </Group>
    </Stack>
  );
}
