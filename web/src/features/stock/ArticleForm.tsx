import { Button, ColorInput, Group, Modal, SegmentedControl, Select, Stack, TextInput } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { LengthField } from '../../shared/LengthField';
import { ProblemNote } from '../../shared/ProblemNote';
import { materialsQuery, useAddArticle } from './queries';

type Kind = Schemas['NewArticle']['kind'];

const KINDS: Kind[] = ['CORD', 'BEAD', 'RING'];
const FIELDS = ['code', 'name', 'colour', 'material', 'across', 'hole', 'length'];

/** A new cord, bead or ring with the measures that the rules ask for. */
export function ArticleForm({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const materials = useQuery(materialsQuery);
  const add = useAddArticle();
  const [kind, setKind] = useState<Kind>('CORD');
  const [code, setCode] = useState('');
  const [name, setName] = useState('');
  const [colour, setColour] = useState('#5B9BA3');
  const [material, setMaterial] = useState<string | null>('polyester');
  const [across, setAcross] = useState('');
  const [hole, setHole] = useState('');
  const [length, setLength] = useState('');
  const problem = (field: string) => (add.error instanceof ProblemError ? add.error.field(field) : undefined);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const body = { kind, code, name, colour, material: material ?? undefined, across, hole, length, units };
    add.mutate(body, {
      onSuccess: () => {
        notifications.show({ message: t('articleForm.done', { name }), color: 'board' });
        setCode('');
        setName('');
        onClose();
      },
    });
  };
  return (
    <Modal opened={opened} onClose={onClose} title={t('articleForm.title')} centered>
      <Stack component="form" onSubmit={submit} gap="sm">
        <SegmentedControl
          aria-label={t('articleForm.kind')}
          value={kind}
          onChange={(k) => setKind(k as Kind)}
          data={KINDS.map((k) => ({ value: k, label: t(`kind.${k}`) }))}
        />
        <Group grow align="flex-start">
          <TextInput
            label={t('articleForm.code')}
            data-autofocus
            value={code}
            onChange={(e) => setCode(e.currentTarget.value)}
            error={problem('code')}
          />
          <TextInput
            label={t('articleForm.name')}
            value={name}
            onChange={(e) => setName(e.currentTarget.value)}
            error={problem('name')}
          />
        </Group>
        <Group grow align="flex-start">
          <ColorInput
            label={t('articleForm.colour')}
            value={colour}
            onChange={setColour}
            error={problem('colour')}
          />
          {kind === 'CORD' && (
            <Select
              label={t('articleForm.material')}
              allowDeselect={false}
              data={(materials.data ?? []).map((m) => ({ value: m, label: t(`material.${m}`) }))}
              value={material}
              onChange={setMaterial}
              error={problem('material')}
            />
          )}
        </Group>
        <LengthField
          label={t(`articleForm.across.${kind}`)}
          value={across}
          onChange={setAcross}
          error={problem('across')}
        />
        {kind !== 'CORD' && (
          <LengthField
            label={t(`articleForm.hole.${kind}`)}
            value={hole}
            onChange={setHole}
            error={problem('hole')}
          />
        )}
        {kind !== 'RING' && (
          <LengthField
            label={t(`articleForm.length.${kind}`)}
            value={length}
            onChange={setLength}
            error={problem('length')}
          />
        )}
        <ProblemNote error={add.error} shown={FIELDS} />
        <Button type="submit" loading={add.isPending}>
          {t('articleForm.submit')}
        </Button>
      </Stack>
    </Modal>
  );
}
