import {
  Button,
  Checkbox,
  ColorInput,
  Grid,
  Group,
  NumberInput,
  Select,
  Stack,
  Table,
  Text,
  Textarea,
  TextInput,
} from '@mantine/core';
import { useHotkeys } from '@mantine/hooks';
import { notifications } from '@mantine/notifications';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { memo, useCallback, useMemo, useReducer, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { Because } from '../../shared/Because';
import { Length } from '../../shared/Figures';
import { cordName, strandName } from '../../shared/names';
import { Await, Page } from '../../shared/Page';
import { PiecePicture } from '../../shared/PiecePicture';
import { ProblemNote } from '../../shared/ProblemNote';
import { Fit } from '../../shared/piece/PiecePanel';
import { StrandBar } from '../../shared/StrandBar';
import { type Definition, EMPTY, SECTIONS, step } from './definition';
import { EditableList } from './EditableList';
import { definitionQuery, trialQuery, useKeepPattern, vocabularyQuery } from './queries';
import { SectionFields } from './SectionFields';

const KINDS = ['BRACELET', 'FOB', 'NECK_LANYARD', 'WRIST_LANYARD'];

/** Composes a pattern: new, as a copy of another, or the next version of one's own. */
export default function EditorPage() {
  const { code } = useParams();
  const [search] = useSearchParams();
  const from = code ?? search.get('from');
  return from ? <Loaded code={from} copy={code === undefined} /> : <Editor start={EMPTY} before={0} />;
}

function Loaded({ code, copy }: { code: string; copy: boolean }) {
  const { t } = useTranslation();
  const definition = useQuery(definitionQuery(code));
  return (
    <Await query={definition}>
      {(d) => {
        const start = JSON.parse(d.json) as Definition;
        return copy ? (
          <Editor
            key={code}
            start={{ ...start, code: `${start.code}-2`, name: t('editor.copyOf', { name: start.name }) }}
            before={0}
          />
        ) : (
          <Editor key={code} start={start} before={d.version} />
        );
      }}
    </Await>
  );
}

/** Reads a pattern from JSON text, and opens it in the editor. */
export function ReadPage() {
  const { t } = useTranslation();
  const [text, setText] = useState('');
  const [read, setRead] = useState<Definition>();
  const trial = useQuery({ ...trialQuery(text), enabled: false });
  if (read) return <Editor start={read} before={0} />;
  const open = async () => {
    const answer = await trial.refetch();
    if (!answer.error) setRead(JSON.parse(text) as Definition);
  };
  return (
    <Page title={t('patterns.read')}>
      <Stack className="panel" p="md" maw={820}>
        <Text>{t('editor.readHint')}</Text>
        <input
          type="file"
          accept=".json,application/json"
          aria-label={t('editor.file')}
          onChange={async (e) => setText((await e.currentTarget.files?.[0]?.text()) ?? '')}
        />
        <Textarea
          label={t('editor.json')}
          autosize
          minRows={10}
          maxRows={24}
          value={text}
          onChange={(e) => setText(e.currentTarget.value)}
          styles={{ input: { fontFamily: 'var(--mantine-font-family-monospace)' } }}
        />
        <ProblemNote error={trial.error} />
        <Group>
          <Button onClick={open} disabled={text.trim() === ''} loading={trial.isFetching}>
            {t('editor.open')}
          </Button>
        </Group>
      </Stack>
    </Page>
  );
}

function Editor({ start, before }: { start: Definition; before: number }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const vocabulary = useQuery(vocabularyQuery);
  const [history, dispatch] = useReducer(step, { past: [], now: start, future: [] });
  const now = history.now;
  const client = useQueryClient();
  const latest = useRef(now);
  latest.current = now;
  const set = useCallback(
    (change: Partial<Definition>) => {
      const to = { ...latest.current, ...change };
      // The answer is on its way while the editor is still being drawn.
      client.prefetchQuery(trialQuery(JSON.stringify(to)));
      dispatch({ to });
    },
    [client],
  );
  /** The key follows the name until it is given one of its own. */
  const rename = (name: string) =>
    set(before === 0 && now.code === keyOf(now.name) ? { name, code: keyOf(name) } : { name });
  useHotkeys([
    ['mod+Z', () => dispatch('undo')],
    ['mod+shift+Z', () => dispatch('redo')],
  ]);
  const json = JSON.stringify(now);
  // Only what is wrong: a new picture alone draws the panel beside, not all the fields again.
  const judged = useQuery({ ...trialQuery(json), select: judge });
  const keep = useKeepPattern();
  const refused = judged.error instanceof ProblemError ? judged.error.problem.fields : undefined;
  const problems = useMemo(() => refused ?? judged.data?.problems ?? [], [refused, judged.data?.problems]);
  const said = useCallback(
    (field: string, exact = false) =>
      problems
        .filter((p) => (exact ? p.field === field : p.field === field || p.field.startsWith(`${field}.`)))
        .map((p) => `${p.message} ${p.remedy}`),
    [problems],
  );
  const one = (field: string) =>
    said(field, true)[0] ?? (keep.error instanceof ProblemError ? keep.error.field(field) : undefined);
  const place = (field: string) => {
    const [, list = '', index] = /^(sections|roles|cords|hardware)\[(\d+)\]/.exec(field) ?? [];
    return list && t('editor.place', { list: t(`editor.list.${list}`), number: Number(index) + 1 });
  };
  const save = () =>
    keep.mutate(
      { json: JSON.stringify(now), before },
      {
        onSuccess: ({ code, version }) => {
          notifications.show({ message: t('editor.kept', { name: now.name, version }), color: 'board' });
          navigate(`/patterns/${code}`);
        },
      },
    );
  return (
    <Page
      title={before === 0 ? t('editor.newTitle') : t('editor.title', { name: start.name })}
      actions={
        <>
          <Button variant="default" disabled={history.past.length === 0} onClick={() => dispatch('undo')}>
            {t('undo')}
          </Button>
          <Button variant="default" disabled={history.future.length === 0} onClick={() => dispatch('redo')}>
            {t('redo')}
          </Button>
          <Button
            onClick={save}
            loading={keep.isPending}
            disabled={problems.length > 0 || !judged.data?.made}
          >
            {before === 0 ? t('editor.keep') : t('editor.keepVersion', { version: before + 1 })}
          </Button>
        </>
      }
    >
      <ProblemNote error={keep.error} shown={['code', 'name']} />
      <Await query={vocabulary}>
        {(words) => (
          <Grid gap="md">
            <Grid.Col span={{ base: 12, md: 7 }}>
              <Stack gap="md">
                <Group grow align="flex-start" className="panel" p="md">
                  <TextInput
                    label={t('editor.name')}
                    value={now.name}
                    onChange={(e) => rename(e.currentTarget.value)}
                    error={one('name')}
                  />
                  <TextInput
                    label={t('editor.code')}
                    value={now.code}
                    disabled={before > 0}
                    onChange={(e) => set({ code: e.currentTarget.value })}
                    error={one('code')}
                  />
                  <Select
                    label={t('editor.kind')}
                    allowDeselect={false}
                    value={now.kind}
                    data={KINDS.map((k) => ({ value: k, label: t(`patternKind.${k}`) }))}
                    onChange={(kind) => kind && set({ kind })}
                  />
                  {now.kind !== 'BRACELET' && (
                    <TextInput
                      label={t('newOrder.length')}
                      value={now.usualLength}
                      onChange={(e) => set({ usualLength: e.currentTarget.value })}
                      error={one('usualLength') ?? one('length')}
                    />
                  )}
                </Group>
                <Sections now={now} set={set} said={said} words={words} />
                <Strands now={now} set={set} said={said} words={words} />
                <Cords now={now} set={set} said={said} />
                <Parts now={now} set={set} said={said} words={words} />
              </Stack>
            </Grid.Col>
            <Grid.Col span={{ base: 12, md: 5 }}>
              <Stack className="panel" p="md" pos="sticky" top={64} aria-live="polite">
                {problems.length > 0 && (
                  <Text c="var(--act)" fw={600}>
                    {t('editor.cannot', { count: problems.length })}
                  </Text>
                )}
                {problems.map((p) => (
                  <Text key={p.field + p.code} c="var(--act)" size="sm" role="alert">
                    {place(p.field)} {p.message} {p.remedy}
                  </Text>
                ))}
                {!(judged.error instanceof ProblemError && judged.error.problem.fields) && (
                  <ProblemNote error={judged.error} />
                )}
                <Trial json={json} />
              </Stack>
            </Grid.Col>
          </Grid>
        )}
      </Await>
    </Page>
  );
}

const LONGEST_KEY = 40;

function keyOf(name: string): string {
  return name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, LONGEST_KEY);
}

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

const Sections = memo(
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

const Strands = memo(
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
              <Select
                key={k}
                label={role.legs.length === 1 ? t('editor.runsAs') : t('editor.legRunsAs', { leg: k + 1 })}
                size="xs"
                w={150}
                allowDeselect={false}
                value={leg}
                data={seats}
                onChange={(v) => change({ ...role, legs: role.legs.map((l, x) => (x === k ? (v ?? l) : l)) })}
              />
            ))}
          </Group>
        )}
      </EditableList>
    );
  },
  sameIn('roles', 'cords'),
);

const Cords = memo(function Cords({ now, set, said }: PartProps) {
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

const Parts = memo(function Parts({ now, set, said, words }: WordedProps) {
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

const judge = (trial: Schemas['TrialView']) => ({
  problems: trial.problems,
  made: trial.sample !== undefined,
});

function Trial({ json }: { json: string }) {
  const { data } = useQuery(trialQuery(json));
  return data?.sample && <Sample sample={data.sample} />;
}

/** The pattern in its usual cords: picture, strands with their sums, size. */
function Sample({ sample }: { sample: Schemas['SamplePiece'] }) {
  const { t } = useTranslation();
  const longest = Math.max(...sample.strands.map((s) => s.cutUm));
  return (
    <>
      <PiecePicture picture={sample.picture} alt={t('editor.picture')} />
      <Table verticalSpacing={3} horizontalSpacing={6} layout="fixed">
        <Table.Tbody>
          {sample.strands.map((s) => (
            <Table.Tr key={s.role + s.number}>
              <Table.Td w="34%">
                <Text size="sm" truncate>
                  {strandName(t, s.role, s.number)}
                </Text>
              </Table.Td>
              <Table.Td>
                <StrandBar
                  code=""
                  colour={s.colour}
                  scaleUm={longest}
                  foldUm={s.foldUm}
                  stretches={[
                    { um: s.usedUm, kind: 'used' },
                    { um: s.cutUm - s.usedUm, kind: 'tail' },
                  ]}
                />
              </Table.Td>
              <Table.Td className="right" w="26%">
                <Because
                  title={t('strand.because', { role: strandName(t, s.role, s.number) })}
                  um={s.cutUm}
                  sum={s.sum}
                />
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      <Fit fit={sample.fit} />
      <Text size="xs" c="dimmed">
        {t('editor.sampleNote')} <Length um={sample.fit.reachedUm} kind="body" />
      </Text>
    </>
  );
}
