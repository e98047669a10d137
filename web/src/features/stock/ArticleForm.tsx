import { Button, ColorInput, Group, Modal, Select, Stack, TextInput } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { LengthField } from '../../shared/LengthField';
import { ProblemNote } from '../../shared/ProblemNote';
import { materialsQuery } from '../../shared/piece/queries';
import { kindsQuery, useAddArticle } from './queries';

type Kind = Schemas['NewArticle']['kind'];

type Measures = NonNullable<Schemas['NewArticle']['measures']>;

const FIELDS = ['code', 'name', 'colour', 'material', 'diameter', 'keep'];

/** A new cord or part with the measures that the rules ask for. */
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
  const [diameter, setDiameter] = useState('');
  const [keep, setKeep] = useState('');
  const [measures, setMeasures] = useState<Measures>({});
  const kinds = useQuery(kindsQuery);
  const measured = kinds.data?.find((k) => k.kind === kind)?.measures ?? [];
  const problem = (field: string) => (add.error instanceof ProblemError ? add.error.field(field) : undefined);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const body = {
      kind,
      code,
      name,
      colour,
      material: material ?? undefined,
      diameter,
      keep,
      measures,
      units,
    };
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
        <Select
          label={t('articleForm.kind')}
          allowDeselect={false}
          value={kind}
          onChange={(k) => k && setKind(k as Kind)}
          data={(kinds.data ?? []).map((k) => ({ value: k.kind, label: t(`kind.${k.kind}`) }))}
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
              data={(materials.data ?? []).map((m) => ({ value: m.code, label: m.name }))}
              value={material}
              onChange={setMaterial}
              error={problem('material')}
            />
          )}
        </Group>
        {kind === 'CORD' ? (
          <>
            <LengthField
              label={t('articleForm.diameter')}
              value={diameter}
              onChange={setDiameter}
              error={problem('diameter')}
            />
            <LengthField
              label={t('articleForm.keep')}
              value={keep}
              onChange={setKeep}
              error={problem('keep')}
            />
          </>
        ) : (
          measured.map((measure) => (
            <LengthField
              key={measure}
              label={t(`measure.${measure}`)}
              value={measures[measure] ?? ''}
              onChange={(text) => setMeasures({ ...measures, [measure]: text })}
              error={problem(`measures.${measure}`)}
            />
          ))
        )}
        <ProblemNote error={add.error} shown={[...FIELDS, ...measured.map((m) => `measures.${m}`)]} />
        <Button type="submit" loading={add.isPending}>
          {t('articleForm.submit')}
        </Button>
      </Stack>
    </Modal>
  );
}
