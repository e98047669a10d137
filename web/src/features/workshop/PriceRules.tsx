import { ActionIcon, Button, Group, NumberInput, Stack, Switch, Text, TextInput, Title } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { priceRulesQuery, useKeepPriceRules } from './queries';

const NUMBERS = [
  'labourPerHour',
  'marginPercent',
  'feePercent',
  'feePerPiece',
  'step',
  'taxPercent',
] as const;

/** How the house makes a price out of what a piece costs. */
export function PriceRules({ owner }: { owner: boolean }) {
  const { t } = useTranslation();
  const rules = useQuery(priceRulesQuery);
  return (
    <Stack className="panel" p="md" maw={680} gap="sm">
      <Title order={2} size="h4">
        {t('priceRules.title')}
      </Title>
      <Text size="sm">{t('priceRules.words')}</Text>
      <Await query={rules}>{(kept) => <Fields kept={kept} owner={owner} />}</Await>
    </Stack>
  );
}

function Fields({ kept, owner }: { kept: Schemas['Rules']; owner: boolean }) {
  const { t } = useTranslation();
  const keep = useKeepPriceRules();
  const { price } = kept;
  const [rules, setRules] = useState<Schemas['RulesInput']>({
    labourPerHour: String(price.labourPerHour),
    marginPercent: String(price.marginPercent),
    feePercent: String(price.feePercent),
    feePerPiece: String(price.feePerPiece),
    step: String(price.step),
    taxPercent: String(price.taxPercent),
    taxIncluded: price.taxIncluded,
    breaks: price.breaks.map((b) => ({ from: b.from, percentOff: String(b.percentOff) })),
    validDays: kept.validDays,
    revision: kept.revision,
  });
  const problem = (field: string) =>
    keep.error instanceof ProblemError ? keep.error.field(field) : undefined;
  const set = (change: Partial<Schemas['RulesInput']>) => setRules({ ...rules, ...change });
  const setBreak = (at: number, change: Partial<Schemas['BreakInput']>) =>
    set({ breaks: rules.breaks.map((b, i) => (i === at ? { ...b, ...change } : b)) });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(rules, {
      onSuccess: ({ revision }) => {
        setRules((typed) => ({ ...typed, revision }));
        notifications.show({ message: t('priceRules.kept'), color: 'board' });
      },
    });
  };
  return (
    <Stack component="form" onSubmit={submit} gap="sm">
      <Group gap="sm" align="flex-start">
        {NUMBERS.map((name) => (
          <TextInput
            key={name}
            w={200}
            label={t(`priceRules.${name}`)}
            inputMode="decimal"
            readOnly={!owner}
            value={rules[name]}
            onChange={(e) => set({ [name]: e.currentTarget.value })}
            error={problem(name)}
          />
        ))}
        <NumberInput
          w={200}
          label={t('priceRules.validDays')}
          allowDecimal={false}
          readOnly={!owner}
          value={rules.validDays}
          onChange={(n) => set({ validDays: Number(n) || 0 })}
          error={problem('validDays')}
        />
      </Group>
      <Switch
        label={t('priceRules.taxIncluded')}
        disabled={!owner}
        checked={rules.taxIncluded}
        onChange={(e) => set({ taxIncluded: e.currentTarget.checked })}
      />
      {rules.breaks.map((b, i) => (
        <Group key={i} gap="sm" align="flex-start">
          <NumberInput
            w={140}
            label={t('priceRules.from')}
            allowDecimal={false}
            readOnly={!owner}
            value={b.from}
            onChange={(n) => setBreak(i, { from: Number(n) || 0 })}
            error={problem(`breaks[${i}].from`)}
          />
          <TextInput
            w={140}
            label={t('priceRules.percentOff')}
            inputMode="decimal"
            readOnly={!owner}
            value={b.percentOff}
            onChange={(e) => setBreak(i, { percentOff: e.currentTarget.value })}
            error={problem(`breaks[${i}].percentOff`)}
          />
          {owner && (
            <ActionIcon
              mt={27}
              variant="default"
              size="lg"
              aria-label={t('priceRules.dropBreak', { from: b.from })}
              onClick={() => set({ breaks: rules.breaks.filter((_, k) => k !== i) })}
            >
              ×
            </ActionIcon>
          )}
        </Group>
      ))}
      <ProblemNote error={keep.error} shown={[...NUMBERS, 'validDays']} />
      {owner && (
        <Group>
          <Button type="submit" loading={keep.isPending}>
            {t('calendar.keep')}
          </Button>
          <Button
            variant="default"
            onClick={() => set({ breaks: [...rules.breaks, { from: 10, percentOff: '5' }] })}
          >
            {t('priceRules.addBreak')}
          </Button>
        </Group>
      )}
    </Stack>
  );
}
