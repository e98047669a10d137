import { Checkbox, Group, MultiSelect, NumberInput, Select, TextInput } from '@mantine/core';
import { Fragment } from 'react';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { partName } from '../../shared/names';
import { type Definition, type FieldKind, SECTIONS, type Section, type Value } from './definition';

interface Props {
  section: Section;
  definition: Definition;
  vocabulary: Schemas['VocabularyView'];
  onChange: (section: Section) => void;
}

/** The fields of one section, whatever its kind. */
export function SectionFields({ section, definition, vocabulary, onChange }: Props) {
  const { t } = useTranslation();
  return (
    <Group gap="xs" align="flex-end">
      <Select
        label={t('editor.section')}
        size="xs"
        w={170}
        allowDeselect={false}
        value={section.section}
        data={Object.keys(SECTIONS).map((kind) => ({ value: kind, label: t(`section.${kind}`) }))}
        onChange={(kind) => kind && onChange({ section: kind, ...SECTIONS[kind]?.fresh })}
      />
      {SECTIONS[section.section]?.fields.map(([name, kind]) => (
        <Field
          key={name}
          label={t(`editor.field.${name}`)}
          kind={kind}
          value={section[name]}
          onChange={(value) => onChange({ ...section, [name]: value })}
          definition={definition}
          vocabulary={vocabulary}
        />
      ))}
    </Group>
  );
}

interface FieldProps {
  label: string;
  kind: FieldKind;
  value: Value;
  onChange: (value: Value) => void;
  definition: Definition;
  vocabulary: Schemas['VocabularyView'];
}

const objectOf = (value: Value): Record<string, Value> =>
  typeof value === 'object' && !Array.isArray(value) ? value : {};
const listOf = (value: Value): string[] => (Array.isArray(value) ? value : []);
const textOf = (value: Value): string => (typeof value === 'string' ? value : '');
const numberOf = (value: Value): number => (typeof value === 'number' ? value : 0);

/** Strands that take the places of a stitch: its own, those of a second body, or those of a tab. */
const PLACES: Record<string, Record<string, string[]>> = {
  own: {},
  second: { CORE: ['SECOND_CORE'], WORKING: ['SECOND_WORKING'] },
  tab: { WORKING: ['TAB'] },
};
const OTHER = 'other';
/** Places that a stitch can have. */
const OF_STITCHES = ['CORE', 'WORKING', 'FALL', 'EDGE'];

/** A definition may name the places in any order. */
const sameEntries = (one: Record<string, Value>, other: Record<string, Value>) =>
  Object.keys(one).length === Object.keys(other).length &&
  Object.entries(one).every(([key, value]) => listOf(other[key]).join() === listOf(value).join());

function Field({ label, kind, value, onChange, definition, vocabulary }: FieldProps) {
  const { t } = useTranslation();
  const part = (of: string, set: (slot: string) => void, none = false) => (
    <Select
      label={label}
      size="xs"
      w={140}
      clearable={none}
      placeholder={none ? t('editor.noPart') : undefined}
      value={of || null}
      data={definition.hardware.map((h) => ({ value: h.code, label: partName(t, h.code) }))}
      onChange={(slot) => set(slot ?? '')}
      nothingFoundMessage={t('editor.noParts')}
    />
  );
  const seats = (of: string[], set: (seats: string[]) => void, named = label) => (
    <MultiSelect
      label={named}
      size="xs"
      miw={150}
      value={of}
      data={vocabulary.seats.map((seat) => ({ value: seat, label: t(`seat.${seat}`) }))}
      onChange={set}
    />
  );
  const choice = (data: { value: string; label: string }[], of: string, set: (value: string) => void) => (
    <Select
      label={label}
      size="xs"
      w={170}
      allowDeselect={false}
      value={of}
      data={data}
      onChange={(v) => v && set(v)}
    />
  );
  const count = (named: string, of: number, set: (count: number) => void, least = -1) => (
    <NumberInput
      label={named}
      size="xs"
      w={92}
      min={least}
      clampBehavior="none"
      allowDecimal={false}
      value={of}
      onChange={(n) => set(Number(n) || 0)}
    />
  );
  const stitches = vocabulary.stitches.map((s) => ({ value: s, label: t(`stitch.${s}`) }));
  const knots = vocabulary.knots.map((k) => ({ value: k, label: t(`term.knot.${k}`) }));
  switch (kind) {
    case 'part':
      return part(textOf(value), onChange);
    case 'partOrNone':
      return part(textOf(value), (slot) => onChange(slot || undefined), true);
    case 'seats':
      return seats(listOf(value), onChange);
    case 'hitch':
      return choice(
        vocabulary.hitches.map((h) => ({ value: h, label: t(`hitch.${h}`) })),
        textOf(value),
        onChange,
      );
    case 'knot':
      return choice(knots, textOf(value), onChange);
    case 'stitch': {
      const own = objectOf(value);
      return choice(
        [...stitches, ...vocabulary.ownStitches.map((o) => ({ value: `own:${o.code}`, label: o.name }))],
        typeof value === 'string' ? value : `own:${textOf(own.code)}`,
        (chosen) => {
          const kept = vocabulary.ownStitches.find((o) => `own:${o.code}` === chosen);
          onChange(kept ? (kept.stitch as Record<string, Value>) : chosen);
        },
      );
    }
    case 'count':
      return count(label, numberOf(value), onChange);
    case 'length':
      return (
        <TextInput
          label={label}
          size="xs"
          w={92}
          value={textOf(value)}
          onChange={(e) => onChange(e.currentTarget.value)}
        />
      );
    case 'yes':
      return (
        <Checkbox
          label={label}
          size="xs"
          pb={8}
          checked={value === true}
          onChange={(e) => onChange(e.currentTarget.checked)}
        />
      );
    case 'extent': {
      const extent = objectOf(value);
      return (
        <>
          {choice(
            ['rest', 'repeats'].map((e) => ({ value: e, label: t(`extent.${e}`) })),
            textOf(extent.extent),
            (e) => onChange(e === 'rest' ? { extent: 'rest' } : { extent: 'repeats', count: 8 }),
          )}
          {extent.extent === 'repeats' &&
            count(
              t('editor.field.count'),
              numberOf(extent.count),
              (n) => onChange({ ...extent, count: n }),
              1,
            )}
        </>
      );
    }
    case 'motif': {
      const motif = objectOf(value);
      return (
        <>
          <Checkbox
            label={label}
            size="xs"
            pb={8}
            checked={value !== undefined}
            onChange={(e) =>
              onChange(
                e.currentTarget.checked
                  ? { hardware: definition.hardware[0]?.code ?? '', seats: ['CORE'], every: 0 }
                  : undefined,
              )
            }
          />
          {value !== undefined && (
            <>
              <Select
                label={t('editor.field.hardware')}
                size="xs"
                w={130}
                value={textOf(motif.hardware) || null}
                data={definition.hardware.map((h) => ({ value: h.code, label: partName(t, h.code) }))}
                onChange={(slot) => onChange({ ...motif, hardware: slot ?? '' })}
                nothingFoundMessage={t('editor.noParts')}
              />
              {seats(listOf(motif.seats), (s) => onChange({ ...motif, seats: s }), t('editor.through'))}
              {count(t('editor.every'), numberOf(motif.every), (n) => onChange({ ...motif, every: n }), 0)}
            </>
          )}
        </>
      );
    }
    case 'places': {
      const places = objectOf(value);
      const known = Object.keys(PLACES).find((k) => sameEntries(PLACES[k] ?? {}, places)) ?? OTHER;
      return (
        <>
          {choice(
            [...Object.keys(PLACES), OTHER].map((k) => ({ value: k, label: t(`places.${k}`) })),
            known,
            (k) => onChange(PLACES[k] ?? Object.fromEntries(OF_STITCHES.map((place) => [place, [place]]))),
          )}
          {known === OTHER &&
            OF_STITCHES.map((place) => (
              <Fragment key={place}>
                {seats(
                  listOf(places[place] ?? [place]),
                  (chosen) => onChange({ ...places, [place]: chosen }),
                  t('editor.inPlaceOf', { place: t(`seat.${place}`) }),
                )}
              </Fragment>
            ))}
        </>
      );
    }
    case 'stopper': {
      const stopper = objectOf(value);
      return (
        <>
          {choice(
            ['knot', 'part'].map((k) => ({ value: k, label: t(`stopper.${k}`) })),
            textOf(stopper.stopper),
            (k) =>
              onChange(
                k === 'knot'
                  ? { stopper: 'knot', knot: 'BUTTON' }
                  : { stopper: 'part', hardware: definition.hardware[0]?.code ?? '' },
              ),
          )}
          {stopper.stopper === 'part'
            ? part(textOf(stopper.hardware), (slot) => onChange({ ...stopper, hardware: slot }))
            : choice(knots, textOf(stopper.knot), (k) => onChange({ ...stopper, knot: k }))}
        </>
      );
    }
  }
}
