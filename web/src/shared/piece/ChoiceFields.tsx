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
import { type Choices, withPart } from './choices';
import { sizesQuery } from './queries';

const WEARERS = ['ADULT', 'CHILD', 'UNDER_THREE'] as const;

interface FieldsProps {
  pattern: Schemas['PatternView'];
  articles: Schemas['Article'][];
  choices: Choices;
  set: (change: Partial<Choices>) => void;
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
          <ArticleSelect
            key={cord.code}
            label={cordName(t, cord.code)}
            kind="CORD"
            gaugeUm={cord.gaugeUm}
            articles={articles}
            value={choices.colours[i]}
            onChange={(code) => set({ colours: choices.colours.map((c, k) => (k === i ? (code ?? '') : c)) })}
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
          onChange={(chosen) => set(withPart(choices, part.code, chosen))}
          problem={problem}
        />
      ))}
      <NativeSelect
        label={t('newOrder.wearer')}
        data={WEARERS.map((wearer) => ({ value: wearer, label: t(`wearer.${wearer}`) }))}
        value={choices.wearer ?? 'ADULT'}
        onChange={(e) => set({ wearer: e.currentTarget.value })}
        error={problem('wearer')}
      />
      {choices.tapered && (
        <Switch
          label={t('newOrder.tapered')}
          checked
          onChange={(e) => set({ tapered: e.currentTarget.checked })}
        />
      )}
      <Switch
        label={t('newOrder.kit')}
        checked={choices.kit ?? false}
        onChange={(e) => set({ kit: e.currentTarget.checked })}
      />
    </>
  );
});

interface PartProps {
  part: Schemas['PartView'];
  articles: Schemas['Article'][];
  chosen: Schemas['PartChoice'] | undefined;
  onChange: (chosen: Schemas['PartChoice'] | undefined) => void;
  problem: (field: string) => string | undefined;
}

/** One part of the pattern, with its number where the maker says it. */
function PartChoice({ part, articles, chosen, onChange, problem }: PartProps) {
  const { t } = useTranslation();
  const counted = part.chosenCount > 0;
  const field = `parts[${part.code}]`;
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
        error={problem(field)}
      />
      {counted && (
        <NumberInput
          label={t('newOrder.beadCount')}
          min={0}
          max={part.chosenCount}
          clampBehavior="none"
          value={chosen?.count ?? 0}
          onChange={(n) => onChange({ article: chosen?.article ?? '', count: Number(n) || 0 })}
          error={problem(`${field}.count`)}
        />
      )}
    </Group>
  );
}

interface SizeProps {
  choices: Choices;
  set: (change: Partial<Choices>) => void;
  problem: (field: string) => string | undefined;
}

function BandSize({ choices, set, problem }: SizeProps) {
  const { t } = useTranslation();
  const sizes = useQuery(sizesQuery);
  return (
    <>
      <Group grow align="flex-start">
        <Select
          label={t('newOrder.size')}
          clearable
          data={sizes.data?.sizes.map((s) => s.name) ?? []}
          value={choices.size ?? null}
          onChange={(size) => set({ size: size ?? undefined, wrist: size ? undefined : choices.wrist })}
          error={problem('size') !== undefined}
        />
        <LengthField
          label={t('newOrder.wrist')}
          value={choices.wrist ?? ''}
          onChange={(wrist) => set({ wrist, size: wrist ? undefined : choices.size })}
          error={problem('wrist') !== undefined}
        />
        <LengthField
          label={t('newOrder.hand')}
          value={choices.hand ?? ''}
          description={t('newOrder.handHint')}
          onChange={(hand) => set({ hand })}
          error={problem('hand') !== undefined}
        />
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
      <div>
        <Text size="sm" fw={500} id="ease-label">
          {t('newOrder.ease')}
        </Text>
        <SegmentedControl
          fullWidth
          aria-labelledby="ease-label"
          value={choices.ease ?? 'COMFORTABLE'}
          onChange={(ease) => set({ ease })}
          data={['SNUG', 'COMFORTABLE', 'LOOSE'].map((e) => ({ value: e, label: t(`ease.${e}`) }))}
        />
      </div>
    </>
  );
}
