import {
  Button,
  ColorInput,
  Group,
  Modal,
  NativeSelect,
  Select,
  SimpleGrid,
  Stack,
  Text,
  TextInput,
} from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { typedAmount, type Unit } from '../../shared/amount';
import { LengthField } from '../../shared/LengthField';
import { ProblemNote } from '../../shared/ProblemNote';
import { materialsQuery } from '../../shared/piece/queries';
import { kindsQuery, useKeepArticle } from './queries';

type Kind = Schemas['NewArticle']['kind'];

type Occasion = Schemas['ConsumableUse']['occasion'];

type Uses = NonNullable<Schemas['NewArticle']['uses']>;

type Measures = NonNullable<Schemas['NewArticle']['measures']>;

const FIELDS = ['code', 'name', 'colour', 'material', 'diameter', 'keep', 'unit'];
const UNITS: Unit[] = ['PIECE', 'MILLILITRE', 'GRAM', 'METRE'];
const ALWAYS: Occasion[] = ['PIECE', 'END_SEALED', 'END_GLUED'];
const CLOSURES: Occasion[] = [
  'SLIDER',
  'SLIDE_BEAD',
  'SLIDING_KNOTS',
  'NOOSE',
  'BUTTONHOLE',
  'LOOP',
  'BUCKLE',
  'ELASTIC',
];

/** Exactly as it is kept: a rounded figure would be kept instead of it. */
const typed = (um: number | undefined) => (um === undefined ? '' : `${um / 1000} mm`);

interface Props {
  /** What is changed; a new article when missing. */
  card?: Schemas['CardView'];
  opened: boolean;
  onClose: () => void;
}

/** A cord, part or consumable with the measures that the rules ask for. */
export function ArticleForm({ card, opened, onClose }: Props) {
  const { t } = useTranslation();
  return (
    <Modal
      opened={opened}
      onClose={onClose}
      title={t(card ? 'articleForm.change' : 'articleForm.title')}
      centered
    >
      <Fields card={card} onClose={onClose} />
    </Modal>
  );
}

function Fields({ card, onClose }: Omit<Props, 'opened'>) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const materials = useQuery(materialsQuery);
  const keepIt = useKeepArticle(card?.version);
  const there = card?.article;
  const [kind, setKind] = useState<Kind>(there?.kind ?? 'CORD');
  const [code, setCode] = useState(there?.code ?? '');
  const [name, setName] = useState(there?.name ?? '');
  const [colour, setColour] = useState(there?.colour ?? '#5B9BA3');
  const [material, setMaterial] = useState<string | null>(there?.material ?? 'polyester');
  const [diameter, setDiameter] = useState(typed(there?.diameterUm));
  const [keep, setKeep] = useState(typed(there?.keepUm));
  const [measures, setMeasures] = useState<Measures>({
    ACROSS: typed(there?.diameterUm),
    LENGTH: typed(there?.lengthUm),
    HOLE: typed(there?.holeUm),
    INNER_WIDTH: typed(there?.innerWidthUm),
    BAR: typed(there?.barUm),
  });
  const [unit, setUnit] = useState<Unit>(there?.unit ?? 'PIECE');
  const [uses, setUses] = useState<Uses>(
    Object.fromEntries(
      (card?.uses ?? []).map((u) => [u.occasion, typedAmount(u.quantity, there?.unit ?? 'PIECE', units)]),
    ),
  );
  const kinds = useQuery(kindsQuery);
  const measured = kinds.data?.find((k) => k.kind === kind)?.measures ?? [];
  const problem = (field: string) =>
    keepIt.error instanceof ProblemError ? keepIt.error.field(field) : undefined;
  const use = (occasion: Occasion) => (
    <TextInput
      key={occasion}
      label={t(`occasion.${occasion}`)}
      value={uses[occasion] ?? ''}
      onChange={(e) => setUses({ ...uses, [occasion]: e.currentTarget.value })}
      error={problem(`uses.${occasion}`)}
    />
  );
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
      unit,
      uses,
      units,
    };
    keepIt.mutate(body, {
      onSuccess: () => {
        notifications.show({
          message: t(card ? 'articleForm.changed' : 'articleForm.done', { name }),
          color: 'board',
        });
        onClose();
      },
    });
  };
  return (
    <Stack component="form" onSubmit={submit} gap="sm">
      <Select
        label={t('articleForm.kind')}
        allowDeselect={false}
        value={kind}
        disabled={card !== undefined}
        onChange={(k) => k && setKind(k as Kind)}
        data={(kinds.data ?? []).map((k) => ({ value: k.kind, label: t(`kind.${k.kind}`) }))}
      />
      <Group grow align="flex-start">
        <TextInput
          label={t('articleForm.code')}
          data-autofocus={!card || undefined}
          disabled={card !== undefined}
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
      {kind === 'CONSUMABLE' && (
        <>
          <NativeSelect
            label={t('articleForm.unit')}
            value={unit}
            disabled={card !== undefined}
            onChange={(e) => setUnit(e.currentTarget.value as Unit)}
            data={UNITS.map((u) => ({ value: u, label: t(`articleForm.unit.${u}`) }))}
            error={problem('unit')}
          />
          <Text size="sm">{t('articleForm.uses')}</Text>
          <SimpleGrid cols={3} verticalSpacing="xs">
            {ALWAYS.map(use)}
          </SimpleGrid>
          <details open={CLOSURES.some((o) => uses[o])}>
            <summary>{t('articleForm.byClosure')}</summary>
            <SimpleGrid cols={2} verticalSpacing="xs" mt="xs">
              {CLOSURES.map(use)}
            </SimpleGrid>
          </details>
        </>
      )}
      <ProblemNote
        error={keepIt.error}
        shown={[
          ...FIELDS,
          ...measured.map((m) => `measures.${m}`),
          ...[...ALWAYS, ...CLOSURES].map((o) => `uses.${o}`),
        ]}
      />
      <Button type="submit" loading={keepIt.isPending}>
        {t(card ? 'articleForm.keepChange' : 'articleForm.submit')}
      </Button>
    </Stack>
  );
}
