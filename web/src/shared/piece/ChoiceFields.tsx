import {
  Group,
  NativeSelect,
  NumberInput,
  SegmentedControl,
  Select,
  SimpleGrid,
  Switch,
  Text,
} from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { memo } from 'react';
import { useTranslation } from 'react-i18next';
import type { Schemas } from '../../api/client';
import { ArticleSelect } from '../ArticleSelect';
import { LengthField } from '../LengthField';
import { cordName, partName } from '../names';
import { type Choices, type SetChoices, withPart } from './choices';
import { sizesQuery } from './queries';

const WEARERS = ['ADULT', 'CHILD', 'UNDER_THREE'] as const;

interface FieldsProps {
  pattern: Schemas['PatternView'];
  articles: Schemas['Article'][];
  choices: Choices;
  set: SetChoices;
  problem: (field: string) => string | undefined;
  /** Whether its size is chosen here; a group's people have each their own. */
  sized?: boolean;
}

/** Everything that is chosen of a piece once its pattern is. */
export const ChoiceFields = memo(function ChoiceFields({
  pattern,
  articles,
  choices,
  set,
  problem,
  sized = true,
}: FieldsProps) {
  const { t } = useTranslation();
  return (
    <>
      {!sized ? null : pattern.kind === 'BRACELET' ? (
        <BandSize choices={choices} set={set} problem={problem} />
      ) : (
        <LengthField
          label={t('newOrder.length')}
          value={choices.length ?? ''}
          onChange={(length) => set({ length })}
          error={problem('length')}
        />
      )}
      <SimpleGrid type="container" cols={{ base: 1, '370px': 2 }} spacing="md" verticalSpacing={10}>
        {pattern.cords.map((cord, i) => (
          <CordChoice
            key={cord.code}
            at={i}
            cord={cord}
            articles={articles}
            value={choices.colours[i]}
            set={set}
            error={problem(`colours[${i}]`)}
          />
        ))}
      </SimpleGrid>
      {pattern.parts.map((part) => (
        <PartChoice
          key={part.code}
          part={part}
          articles={articles}
          chosen={choices.parts?.[part.code]}
          set={set}
          error={problem(`parts[${part.code}]`)}
          countError={problem(`parts[${part.code}].count`)}
        />
      ))}
      <Further
        wearer={choices.wearer ?? 'ADULT'}
        tapered={choices.tapered ?? false}
        kit={choices.kit ?? false}
        set={set}
        error={problem('wearer')}
      />
    </>
  );
});

interface FurtherProps {
  wearer: string;
  tapered: boolean;
  kit: boolean;
  set: SetChoices;
  error: string | undefined;
}

/** Who wears it, how its ends go in, and whether it goes out as a kit. */
const Further = memo(function Further({ wearer, tapered, kit, set, error }: FurtherProps) {
  const { t } = useTranslation();
  return (
    <>
      <NativeSelect
        label={t('newOrder.wearer')}
        data={WEARERS.map((w) => ({ value: w, label: t(`wearer.${w}`) }))}
        value={wearer}
        onChange={(e) => set({ wearer: e.currentTarget.value })}
        error={error}
      />
      {tapered && (
        <Switch
          label={t('newOrder.tapered')}
          checked
          onChange={(e) => set({ tapered: e.currentTarget.checked })}
        />
      )}
      <Switch
        label={t('newOrder.kit')}
        checked={kit}
        onChange={(e) => set({ kit: e.currentTarget.checked })}
      />
    </>
  );
});

interface CordProps {
  at: number;
  cord: Schemas['PatternView']['cords'][number];
  articles: Schemas['Article'][];
  value: string | undefined;
  set: SetChoices;
  error: string | undefined;
}

/** The colour of one of the pattern's cords. */
const CordChoice = memo(function CordChoice({ at, cord, articles, value, set, error }: CordProps) {
  const { t } = useTranslation();
  return (
    <ArticleSelect
      label={cordName(t, cord.code)}
      kind="CORD"
      gaugeUm={cord.gaugeUm}
      articles={articles}
      value={value}
      onChange={(code) =>
        set(({ colours }) => ({ colours: colours.map((c, k) => (k === at ? (code ?? '') : c)) }))
      }
      error={error}
    />
  );
});

interface PartProps {
  part: Schemas['PartView'];
  articles: Schemas['Article'][];
  chosen: Schemas['PartChoice'] | undefined;
  set: SetChoices;
  error: string | undefined;
  countError: string | undefined;
}

/** One part of the pattern, with its number where the maker says it. */
const PartChoice = memo(function PartChoice({ part, articles, chosen, set, error, countError }: PartProps) {
  const { t } = useTranslation();
  const counted = part.chosenCount > 0;
  const onChange = (next: Schemas['PartChoice'] | undefined) =>
    set((before) => withPart(before, part.code, next));
  return (
    <Group grow align="flex-start">
      <ArticleSelect
        label={partName(t, part.code)}
        kind={part.kind}
        clearable={part.optional}
        articles={articles}
        value={chosen?.article}
        onChange={(article) =>
          onChange(
            article ? { article, count: counted ? Math.max(1, chosen?.count ?? 0) : undefined } : undefined,
          )
        }
        error={error}
      />
      {counted && (
        <NumberInput
          label={t('newOrder.beadCount')}
          min={0}
          max={part.chosenCount}
          clampBehavior="none"
          value={chosen?.count ?? 0}
          onChange={(n) => onChange({ article: chosen?.article ?? '', count: Number(n) || 0 })}
          error={countError}
        />
      )}
    </Group>
  );
});

interface SizeProps {
  choices: Choices;
  set: SetChoices;
  problem: (field: string) => string | undefined;
}

function BandSize({ choices, set, problem }: SizeProps) {
  const { t } = useTranslation();
  return (
    <>
      <Group grow align="flex-start">
        <SizeChoice value={choices.size} set={set} error={problem('size') !== undefined} />
        <LengthField
          label={t('newOrder.wrist')}
          value={choices.wrist ?? ''}
          onChange={(wrist) => set({ wrist, size: wrist ? undefined : choices.size })}
          error={problem('wrist') !== undefined}
        />
        <HandField value={choices.hand} set={set} error={problem('hand') !== undefined} />
      </Group>
      {/* The three fields are too narrow for a sentence each. */}
      {['size', 'wrist', 'hand']
        .map((field) => problem(field))
        .map(
          (words) =>
            words && (
              <Text key={words} size="sm" c="var(--act)" role="alert">
                {words}
              </Text>
            ),
        )}
      <EaseChoice value={choices.ease ?? 'COMFORTABLE'} set={set} />
    </>
  );
}

interface ChoiceProps {
  value: string | undefined;
  set: SetChoices;
  error?: boolean;
}

const SizeChoice = memo(function SizeChoice({ value, set, error }: ChoiceProps) {
  const { t } = useTranslation();
  const sizes = useQuery(sizesQuery);
  return (
    <Select
      label={t('newOrder.size')}
      clearable
      data={sizes.data?.sizes.map((s) => s.name) ?? []}
      value={value ?? null}
      onChange={(size) => set(({ wrist }) => ({ size: size ?? undefined, wrist: size ? undefined : wrist }))}
      error={error}
    />
  );
});

const HandField = memo(function HandField({ value, set, error }: ChoiceProps) {
  const { t } = useTranslation();
  return (
    <LengthField
      label={t('newOrder.hand')}
      value={value ?? ''}
      description={t('newOrder.handHint')}
      onChange={(hand) => set({ hand })}
      error={error}
    />
  );
});

const EaseChoice = memo(function EaseChoice({ value, set }: ChoiceProps) {
  const { t } = useTranslation();
  return (
    <div>
      <Text size="sm" fw={500} id="ease-label">
        {t('newOrder.ease')}
      </Text>
      <SegmentedControl
        fullWidth
        aria-labelledby="ease-label"
        value={value}
        onChange={(ease) => set({ ease })}
        data={['SNUG', 'COMFORTABLE', 'LOOSE'].map((e) => ({ value: e, label: t(`ease.${e}`) }))}
      />
    </div>
  );
});
