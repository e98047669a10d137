import { Checkbox, ColorInput, Group, NumberInput, Select, TextInput } from '@mantine/core';
import { memo } from 'react';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { cordName, strandName } from '../../shared/names';
import { type Course, coursesOf, type Definition, type Leg, SECTIONS, seated, turned } from './definition';
import { EditableList } from './EditableList';
import { SectionFields } from './SectionFields';

interface PartProps {
  now: Definition;
  set: (change: Partial<Definition>) => void;
  said: (field: string) => string[];
}

/** Whether a list need not be drawn again: nothing that it shows has changed, nor what is said of it. */
const sameIn =
  (...parts: (keyof Definition)[]) =>
  (before: PartProps, after: PartProps) =>
    before.said === after.said &&
    before.set === after.set &&
    parts.every((part) => before.now[part] === after.now[part]);

type WordedProps = PartProps & { words: Schemas['VocabularyView'] };

export const Sections = memo(
  function Sections({ now, set, said, words }: WordedProps) {
    const { t } = useTranslation();
    return (
      <EditableList
        title={t('editor.sections')}
        items={now.sections}
        name={(s) => t(`section.${s.section}`)}
        onChange={(sections) => set({ sections })}
        fresh={() => ({ section: 'knot', ...SECTIONS.knot?.fresh })}
        addLabel={t('editor.addSection')}
        problems={(i) => said(`sections[${i}]`)}
      >
        {(section, change) => (
          <SectionFields section={section} definition={now} vocabulary={words} onChange={change} />
        )}
      </EditableList>
    );
  },
  sameIn('sections', 'hardware', 'roles'),
);

export const Strands = memo(
  function Strands({ now, set, said, words }: WordedProps) {
    const { t } = useTranslation();
    const seats = words.seats.map((seat) => ({ value: seat, label: t(`seat.${seat}`) }));
    const cords = now.cords.map((c, i) => ({ value: String(i), label: cordName(t, c.code) }));
    return (
      <EditableList
        title={t('editor.strands')}
        items={now.roles}
        name={(r) => strandName(t, r.code)}
        onChange={(roles) => set({ roles })}
        fresh={() => ({ code: t('editor.freshStrand'), slots: [0], count: 1, legs: ['CORE'] })}
        addLabel={t('editor.addStrand')}
        problems={(i) => said(`roles[${i}]`)}
      >
        {(role, change) => (
          <Group gap="xs" align="flex-end">
            <TextInput
              label={t('editor.name')}
              size="xs"
              w={150}
              value={role.code}
              onChange={(e) => change({ ...role, code: e.currentTarget.value })}
            />
            <NumberInput
              label={t('editor.count')}
              size="xs"
              w={80}
              min={1}
              max={10}
              value={role.count}
              onChange={(n) => change({ ...role, count: Number(n) || 1 })}
            />
            <Select
              label={t('editor.way')}
              size="xs"
              w={150}
              allowDeselect={false}
              value={role.legs.length === 1 ? 'straight' : role.slots.length === 2 ? 'fused' : 'folded'}
              data={['straight', 'folded', 'fused'].map((w) => ({ value: w, label: t(`way.${w}`) }))}
              onChange={(way) => {
                const first = role.legs[0] ?? 'CORE';
                const slot = role.slots[0] ?? 0;
                change({
                  ...role,
                  legs: way === 'straight' ? [first] : [first, role.legs[1] ?? first],
                  slots: way === 'fused' ? [slot, role.slots[1] ?? slot] : [slot],
                });
              }}
            />
            {role.slots.map((slot, k) => (
              <Select
                key={k}
                label={t('editor.cord')}
                size="xs"
                w={130}
                allowDeselect={false}
                value={String(slot)}
                data={cords}
                onChange={(v) =>
                  change({ ...role, slots: role.slots.map((s, x) => (x === k ? Number(v) : s)) })
                }
              />
            ))}
            {role.legs.map((leg, k) => (
              <LegFields
                key={k}
                leg={leg}
                label={role.legs.length === 1 ? t('editor.runsAs') : t('editor.legRunsAs', { leg: k + 1 })}
                seats={seats}
                parts={now.hardware.map((h) => h.code)}
                onChange={(to) => change({ ...role, legs: role.legs.map((l, x) => (x === k ? to : l)) })}
              />
            ))}
          </Group>
        )}
      </EditableList>
    );
  },
  sameIn('roles', 'cords', 'hardware'),
);

interface LegProps {
  leg: Leg;
  label: string;
  seats: { value: string; label: string }[];
  parts: string[];
  onChange: (to: Leg) => void;
}

/** Where a leg runs, course by course; what it turns at lets it go on. */
function LegFields({ leg, label, seats, parts, onChange }: LegProps) {
  const { t } = useTranslation();
  const turns = [
    { value: '', label: t('turn.end') },
    ...parts.map((part) => ({ value: `PART:${part}`, label: t('turn.PART', { part }) })),
    { value: 'EAR', label: t('turn.EAR') },
    { value: 'BACK', label: t('turn.BACK') },
  ];
  return (
    <>
      {coursesOf(leg).map((course, k) => (
        <Group key={k} gap={4} align="flex-end" wrap="nowrap">
          <Select
            label={k === 0 ? label : t('editor.thenRunsAs')}
            size="xs"
            w={130}
            allowDeselect={false}
            value={course.seat}
            data={seats}
            onChange={(seat) => seat && onChange(seated(leg, k, seat))}
          />
          <Select
            label={t('editor.turn')}
            size="xs"
            w={150}
            allowDeselect={false}
            value={course.turn ? (course.turn === 'PART' ? `PART:${course.hardware}` : course.turn) : ''}
            data={turns}
            onChange={(v) => {
              const [turn, hardware] = (v ?? '').split(/:(.*)/);
              onChange(turned(leg, k, (turn || undefined) as Course['turn'], hardware));
            }}
          />
        </Group>
      ))}
    </>
  );
}

export const Cords = memo(function Cords({ now, set, said }: PartProps) {
  const { t } = useTranslation();
  return (
    <EditableList
      title={t('editor.cords')}
      items={now.cords}
      name={(c) => cordName(t, c.code)}
      onChange={(cords) => set({ cords })}
      fresh={() => ({ code: t('editor.freshCord'), gauge: '2 mm', colour: '#8F6B9B' })}
      addLabel={t('editor.addCord')}
      problems={(i) => said(`cords[${i}]`)}
    >
      {(cord, change) => (
        <Group gap="xs" align="flex-end">
          <TextInput
            label={t('editor.name')}
            size="xs"
            w={150}
            value={cord.code}
            onChange={(e) => change({ ...cord, code: e.currentTarget.value })}
          />
          <TextInput
            label={t('editor.gauge')}
            size="xs"
            w={92}
            value={cord.gauge}
            onChange={(e) => change({ ...cord, gauge: e.currentTarget.value })}
          />
          <ColorInput
            label={t('editor.colour')}
            withEyeDropper={false}
            size="xs"
            w={130}
            value={cord.colour}
            onChange={(colour) => change({ ...cord, colour })}
          />
        </Group>
      )}
    </EditableList>
  );
}, sameIn('cords'));

const USUAL: Record<string, string> = {
  LENGTH: '8 mm',
  ACROSS: '9 mm',
  HOLE: '4 mm',
  INNER_WIDTH: '16 mm',
  BAR: '3 mm',
};

export const Parts = memo(function Parts({ now, set, said, words }: WordedProps) {
  const { t } = useTranslation();
  const measured = (kind: string, before: Record<string, string>) =>
    Object.fromEntries(
      (words.parts.find((p) => p.kind === kind)?.measures ?? []).map((m) => [
        m,
        before[m] ?? USUAL[m] ?? '5 mm',
      ]),
    );
  return (
    <EditableList
      title={t('editor.parts')}
      items={now.hardware}
      name={(h) => h.code}
      onChange={(hardware) => set({ hardware })}
      fresh={() => ({
        code: now.hardware.some((h) => h.code === 'bead') ? t('editor.freshPart') : 'bead',
        usual: { kind: 'BEAD', measures: measured('BEAD', {}) },
        optional: true,
        chosenCount: 5,
      })}
      addLabel={t('editor.addPart')}
      problems={(i) => said(`hardware[${i}]`)}
    >
      {(part, change) => (
        <Group gap="xs" align="flex-end">
          <TextInput
            label={t('editor.name')}
            size="xs"
            w={130}
            value={part.code}
            onChange={(e) => change({ ...part, code: e.currentTarget.value })}
          />
          <Select
            label={t('editor.kind')}
            size="xs"
            w={140}
            allowDeselect={false}
            value={part.usual.kind}
            data={words.parts.map((p) => ({ value: p.kind, label: t(`kind.${p.kind}`) }))}
            onChange={(kind) =>
              kind && change({ ...part, usual: { kind, measures: measured(kind, part.usual.measures) } })
            }
          />
          {Object.entries(part.usual.measures).map(([measure, length]) => (
            <TextInput
              key={measure}
              label={t(`measure.${measure}`)}
              size="xs"
              w={92}
              value={length}
              onChange={(e) =>
                change({
                  ...part,
                  usual: {
                    ...part.usual,
                    measures: { ...part.usual.measures, [measure]: e.currentTarget.value },
                  },
                })
              }
            />
          ))}
          <NumberInput
            label={t('editor.upTo')}
            size="xs"
            w={92}
            min={0}
            value={part.chosenCount}
            onChange={(n) => change({ ...part, chosenCount: Number(n) || 0 })}
          />
          <Checkbox
            label={t('editor.optional')}
            size="xs"
            pb={8}
            checked={part.optional}
            onChange={(e) => change({ ...part, optional: e.currentTarget.checked })}
          />
        </Group>
      )}
    </EditableList>
  );
}, sameIn('hardware'));
