import { Button, Checkbox, Group, Modal, Stack, Table, Text, TextInput, Title } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Length } from '../../shared/Figures';
import { formatLength } from '../../shared/format';
import { LengthField } from '../../shared/LengthField';
import { ProblemNote } from '../../shared/ProblemNote';
import { useKeepMaterial } from './queries';

type Material = Schemas['MaterialView'];

/** What cord is made of, with the factors that pieces are worked out by. */
export function MaterialList({ materials }: { materials: Material[] }) {
  const { t } = useTranslation();
  const [edited, setEdited] = useState<Material | 'new'>();
  return (
    <Stack className="panel" p="md" gap={6}>
      <Group justify="space-between">
        <Title order={2} size="h4">
          {t('materials.title')}
        </Title>
        <Button size="compact-md" variant="default" onClick={() => setEdited('new')}>
          {t('materials.add')}
        </Button>
      </Group>
      <Text size="sm" c="dimmed">
        {t('materials.use')}
      </Text>
      <Table.ScrollContainer minWidth={560}>
        <Table fz="sm" verticalSpacing={4}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>{t('materials.name')}</Table.Th>
              <Table.Th className="right">{t('materials.tension')}</Table.Th>
              <Table.Th className="right">{t('materials.hole')}</Table.Th>
              <Table.Th className="right">{t('materials.fray')}</Table.Th>
              <Table.Th>{t('materials.ends')}</Table.Th>
              <Table.Th>{t('buy.next')}</Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {materials.map((m) => (
              <Table.Tr key={m.code}>
                <Table.Td>{m.name}</Table.Td>
                <Table.Td className="right figure">{m.tensionFactor.toFixed(3)}</Table.Td>
                <Table.Td className="right figure">{m.holeCompression.toFixed(3)}</Table.Td>
                <Table.Td className="right">
                  <Length um={m.frayAllowanceUm} kind="part" />
                </Table.Td>
                <Table.Td>
                  {[
                    m.heatSealable && t('materials.heat'),
                    m.frays && t('materials.frays'),
                    m.stiff && t('materials.stiff'),
                  ]
                    .filter(Boolean)
                    .join(', ') || '–'}
                </Table.Td>
                <Table.Td>
                  <Button
                    size="compact-sm"
                    variant="default"
                    aria-label={t('changeIt', { name: m.name })}
                    onClick={() => setEdited(m)}
                  >
                    {t('supplier.change')}
                  </Button>
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      </Table.ScrollContainer>
      {edited && (
        <MaterialForm material={edited === 'new' ? undefined : edited} onClose={() => setEdited(undefined)} />
      )}
    </Stack>
  );
}

function MaterialForm({ material, onClose }: { material?: Material; onClose: () => void }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const keep = useKeepMaterial();
  const [name, setName] = useState(material?.name ?? '');
  const [tensionFactor, setTension] = useState(String(material?.tensionFactor ?? 0.95));
  const [holeCompression, setHole] = useState(String(material?.holeCompression ?? 0.9));
  const [frayAllowance, setFray] = useState(formatLength(material?.frayAllowanceUm ?? 3000, units, 'part'));
  const [heatSealable, setHeat] = useState(material?.heatSealable ?? false);
  const [frays, setFrays] = useState(material?.frays ?? false);
  const [stiff, setStiff] = useState(material?.stiff ?? false);
  const problem = (field: string) =>
    keep.error instanceof ProblemError ? keep.error.field(field) : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(
      {
        code: material?.code,
        version: material?.version ?? 0,
        name,
        tensionFactor,
        holeCompression,
        frayAllowance,
        heatSealable,
        frays,
        stiff,
        units,
      },
      { onSuccess: onClose },
    );
  };
  return (
    <Modal opened onClose={onClose} title={material?.name ?? t('materials.add')} centered>
      <Stack component="form" onSubmit={submit} gap="sm">
        <TextInput
          label={t('materials.name')}
          data-autofocus
          value={name}
          onChange={(e) => setName(e.currentTarget.value)}
          error={problem('name')}
        />
        <TextInput
          label={t('materials.tension')}
          description={t('materials.tensionHint')}
          inputMode="decimal"
          value={tensionFactor}
          onChange={(e) => setTension(e.currentTarget.value)}
          error={problem('tensionFactor')}
        />
        <TextInput
          label={t('materials.hole')}
          description={t('materials.holeHint')}
          inputMode="decimal"
          value={holeCompression}
          onChange={(e) => setHole(e.currentTarget.value)}
          error={problem('holeCompression')}
        />
        <LengthField
          label={t('materials.fray')}
          description="3 mm"
          value={frayAllowance}
          onChange={setFray}
          error={problem('frayAllowance')}
        />
        <Checkbox
          label={t('materials.heatLong')}
          checked={heatSealable}
          onChange={(e) => setHeat(e.currentTarget.checked)}
        />
        <Checkbox
          label={t('materials.fraysLong')}
          checked={frays}
          onChange={(e) => setFrays(e.currentTarget.checked)}
        />
        <Checkbox
          label={t('materials.stiffLong')}
          checked={stiff}
          onChange={(e) => setStiff(e.currentTarget.checked)}
        />
        <ProblemNote
          error={keep.error}
          shown={['name', 'tensionFactor', 'holeCompression', 'frayAllowance']}
        />
        <Button type="submit" loading={keep.isPending}>
          {t('supplier.keep')}
        </Button>
      </Stack>
    </Modal>
  );
}
