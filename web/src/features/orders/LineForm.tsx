import { Button, Grid, Group, NumberInput, Select, Stack, Switch, Textarea } from '@mantine/core';
import { type FormEvent, memo, type ReactNode, useCallback, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { ProblemNote } from '../../shared/ProblemNote';
import { ChoiceFields } from '../../shared/piece/ChoiceFields';
import { type Choices, firstChoices, type SetChoices, withOffer } from '../../shared/piece/choices';
import { LivePiece, useLiveChoices } from '../../shared/piece/LivePiece';

const KINDS = ['BRACELET', 'FOB', 'NECK_LANYARD', 'WRIST_LANYARD'] as const;

export interface LineValues {
  choices: Choices;
  quantity: number;
  matching: boolean;
  note: string;
}

interface Props {
  patterns: Schemas['PatternView'][];
  articles: Schemas['Article'][];
  start: () => LineValues;
  /** The day it is wanted, which the promise is judged against. */
  due: string;
  /** Fields that stand before those of the line. */
  head?: ReactNode;
  /** How the server calls the fields of this line. */
  field: string;
  error: Error | null;
  /** Fields of the head that show their problems themselves. */
  shown?: string[];
  busy: boolean;
  submit: string;
  onSubmit: (values: LineValues) => void;
  /** A second way to end the form, beside its main one. */
  other?: { label: string; onClick: (values: LineValues) => void };
}

/** A line of an order beside its live picture: every choice is worked out by the server as it is made. */
export function LineForm({ patterns, articles, start, due, head, field, error, shown, ...ends }: Props) {
  const { t } = useTranslation();
  const [first] = useState(start);
  const [quantity, setQuantity] = useState<number | string>(first.quantity);
  const [matching, setMatching] = useState(first.matching);
  const [note, setNote] = useState(first.note);
  const wanted = { quantity: Number(quantity) || 0, matching, due };
  const { choices, put, set, problem: unworked, live } = useLiveChoices(() => first.choices, wanted);
  const pattern = patterns.find((p) => p.code === choices.pattern) ?? (patterns[0] as Schemas['PatternView']);
  const refused = error instanceof ProblemError ? error : undefined;
  const problem = useCallback(
    (name: string) =>
      unworked(name) ?? refused?.field(`${field}${name}`) ?? refused?.field(`${field}choices.${name}`),
    [unworked, refused, field],
  );
  const values = { choices, quantity: wanted.quantity, matching, note };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    ends.onSubmit(values);
  };
  return (
    <Grid gap="md">
      <Grid.Col span={{ base: 12, md: 5 }}>
        <Stack component="form" onSubmit={submit} className="panel" p="md" gap={10}>
          {head}
          <PatternChoice
            patterns={patterns}
            articles={articles}
            value={choices.pattern}
            set={set}
            error={problem('pattern')}
          />
          <ChoiceFields pattern={pattern} articles={articles} choices={choices} set={set} problem={problem} />
          {wanted.quantity > 1 && (
            <Switch
              label={t('newOrder.matching')}
              checked={matching}
              onChange={(e) => setMatching(e.currentTarget.checked)}
            />
          )}
          <Group align="flex-start" wrap="nowrap">
            <Quantity value={quantity} onChange={setQuantity} error={refused?.field(`${field}quantity`)} />
            <Note value={note} onChange={setNote} error={refused?.field(`${field}note`)} />
          </Group>
          <ProblemNote error={error} shown={[...(shown ?? []), `${field}quantity`, `${field}note`]} />
          <Group grow>
            {ends.other && (
              <Button variant="default" loading={ends.busy} onClick={() => ends.other?.onClick(values)}>
                {ends.other.label}
              </Button>
            )}
            <Button type="submit" loading={ends.busy}>
              {ends.submit}
            </Button>
          </Group>
        </Stack>
      </Grid.Col>
      <Grid.Col span={{ base: 12, md: 7 }}>
        <LivePiece live={live} onOffer={(offer) => put(withOffer(choices, offer, patterns, articles))} />
      </Grid.Col>
    </Grid>
  );
}

interface PatternProps {
  patterns: Schemas['PatternView'][];
  articles: Schemas['Article'][];
  value: string;
  set: SetChoices;
  error: string | undefined;
}

// Fields that a choice leaves as they are are not drawn again with it: that would hold its answer up.

const PatternChoice = memo(function PatternChoice({ patterns, articles, value, set, error }: PatternProps) {
  const { t } = useTranslation();
  return (
    <Select
      label={t('newOrder.pattern')}
      allowDeselect={false}
      searchable
      data={KINDS.map((kind) => ({
        group: t(`patternKind.${kind}`),
        items: patterns.filter((p) => p.kind === kind).map((p) => ({ value: p.code, label: p.name })),
      }))}
      value={value}
      onChange={(code) => {
        const chosen = patterns.find((p) => p.code === code);
        if (chosen) set((before) => firstChoices(chosen, articles, before));
      }}
      error={error}
    />
  );
});

interface FieldProps<T> {
  value: T;
  onChange: (value: T) => void;
  error: string | undefined;
}

const Quantity = memo(function Quantity({ value, onChange, error }: FieldProps<number | string>) {
  const { t } = useTranslation();
  return (
    <NumberInput
      label={t('newOrder.quantity')}
      w={110}
      value={value}
      onChange={onChange}
      allowDecimal={false}
      error={error}
    />
  );
});

const Note = memo(function Note({ value, onChange, error }: FieldProps<string>) {
  const { t } = useTranslation();
  return (
    <Textarea
      label={t('newOrder.note')}
      flex={1}
      value={value}
      autosize
      minRows={1}
      onChange={(e) => onChange(e.currentTarget.value)}
      error={error}
    />
  );
});
