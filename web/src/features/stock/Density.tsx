import { Button, Group, Stack, Text, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { devicesQuery, useDevice } from '../../shared/devices';
import { LengthField } from '../../shared/LengthField';
import { ProblemNote } from '../../shared/ProblemNote';
import { Section } from './ArticleSection';
import { setDensity, useStockAct } from './queries';

type Card = Schemas['CardView'];

const MICROGRAMS = 1_000_000;

const GRAM = 1000;

/** What a metre weighs: typed, or told by a spool of which the length is known. */
export function Density({ card: { article, densityUgM } }: { card: Card }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const devices = useQuery(devicesQuery);
  const scale = useDevice('SCALE');
  const keep = useStockAct(setDensity);
  const [perMetre, setPerMetre] = useState(densityUgM === undefined ? '' : String(densityUgM / MICROGRAMS));
  const [gross, setGross] = useState('');
  const [tare, setTare] = useState('');
  const [length, setLength] = useState('');
  const problem = (field: string) =>
    keep.error instanceof ProblemError ? keep.error.field(field) : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(
      { article: article.id, perMetre, gross, tare, length, units },
      {
        onSuccess: (kept) => {
          const { ugM } = kept as { ugM?: number };
          setPerMetre(ugM === undefined ? '' : String(ugM / MICROGRAMS));
          setGross('');
          setLength('');
        },
      },
    );
  };
  return (
    <Section title={t('card.density')}>
      <Stack component="form" onSubmit={submit} gap="xs">
        <TextInput
          label={t('card.perMetre')}
          description={t('card.densityUse')}
          inputWrapperOrder={['label', 'input', 'description', 'error']}
          inputMode="decimal"
          value={perMetre}
          onChange={(e) => setPerMetre(e.currentTarget.value)}
          error={problem('perMetre')}
        />
        <Text size="sm">{t('card.orSpool')}</Text>
        <Group grow align="flex-start">
          <TextInput
            label={t('card.gross')}
            placeholder="280 g"
            value={gross}
            onChange={(e) => setGross(e.currentTarget.value)}
            error={problem('gross')}
          />
          <TextInput
            label={t('card.tare')}
            placeholder="40 g"
            value={tare}
            onChange={(e) => setTare(e.currentTarget.value)}
            error={problem('tare')}
          />
        </Group>
        <LengthField
          description={t('lengthField.long')}
          label={t('card.length')}
          value={length}
          onChange={setLength}
          error={problem('length')}
        />
        <ProblemNote error={scale.error ?? keep.error} shown={['perMetre', 'gross', 'tare', 'length']} />
        <Group>
          {devices.data?.there && (
            <Button
              variant="default"
              loading={scale.isPending}
              onClick={() =>
                scale.mutate(undefined, { onSuccess: ({ amount }) => setGross(`${amount / GRAM} g`) })
              }
            >
              {t('count.scale')}
            </Button>
          )}
          <Button type="submit" variant="default" loading={keep.isPending}>
            {t('card.keepDensity')}
          </Button>
        </Group>
      </Stack>
    </Section>
  );
}
