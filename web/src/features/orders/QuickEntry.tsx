import { Anchor, Button, Group, Modal, Stack, Table, Text, TextInput, Tooltip } from '@mantine/core';
import { useDebouncedValue, useDisclosure } from '@mantine/hooks';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { ProblemError, type Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { Money } from '../../shared/Figures';
import { formatDay } from '../../shared/format';
import { cordName, partName } from '../../shared/names';
import { ProblemNote } from '../../shared/ProblemNote';
import { Swatch } from '../../shared/Swatch';
import { Verdict } from '../../shared/Verdict';
import classes from './QuickEntry.module.css';
import { readQuery, useTakeOrder } from './queries';

type Mark = Schemas['MarkView'];

const PAUSE_MS = 120;

/** One line for a whole order, read back in words as it is typed. */
export function QuickEntry() {
  const { t } = useTranslation();
  const { units } = useUnits();
  const navigate = useNavigate();
  const take = useTakeOrder();
  const [text, setText] = useState('');
  const [asked] = useDebouncedValue(text, PAUSE_MS);
  const [help, { open, close }] = useDisclosure();
  const field = useRef<HTMLInputElement>(null);
  const reading = useQuery(readQuery(asked, units));
  const read = text.trim() === '' ? undefined : reading.data;
  const current = asked === text && !reading.isFetching;
  const complete = read?.clear && read.lines.every((l) => l.trial.piece);
  const submit = (draft: boolean) => {
    if (!read || !complete || !current) return;
    take.mutate(
      {
        customer: read.customer ?? '',
        due: read.due,
        draft,
        lines: read.lines.map(({ choices, quantity, matching, note }) => ({
          choices,
          quantity,
          matching,
          note,
        })),
      },
      {
        onSuccess: ({ id }) => {
          notifications.show({ message: t('newOrder.taken', { customer: read.customer }), color: 'board' });
          navigate(`/orders/${id}`);
        },
      },
    );
  };
  const replace = (mark: Mark, choice: string) => {
    setText(text.slice(0, mark.from) + choice + text.slice(mark.to));
    field.current?.focus();
  };
  const missing = take.error instanceof ProblemError ? take.error.field('customer') : undefined;
  return (
    <Stack
      component="form"
      className="panel"
      p="sm"
      gap="xs"
      onSubmit={(e: FormEvent) => {
        e.preventDefault();
        submit(false);
      }}
    >
      <Group gap="xs" wrap="nowrap" align="flex-end">
        <TextInput
          ref={field}
          flex={1}
          label={t('quick.label')}
          placeholder={t('quick.example')}
          autoComplete="off"
          spellCheck={false}
          maxLength={1000}
          value={text}
          onChange={(e) => {
            take.reset();
            setText(e.currentTarget.value);
          }}
          error={missing}
        />
        <Button variant="default" onClick={open}>
          {t('quick.help')}
        </Button>
      </Group>
      {read && (
        <Stack gap="xs" aria-live="polite">
          <Marks text={asked} marks={read.marks} onChoose={replace} />
          {read.lines.map((line, i) => (
            <LineRead key={i} line={line} />
          ))}
          <ProblemNote error={take.error} shown={['customer']} />
          <Group gap="xs">
            <Tooltip label={t('quick.notYet')} disabled={complete} withArrow>
              <Button type="submit" data-disabled={!complete || undefined} loading={take.isPending}>
                {t('newOrder.take')}
              </Button>
            </Tooltip>
            <Button variant="default" disabled={!complete} onClick={() => submit(true)}>
              {t('newOrder.draft')}
            </Button>
          </Group>
        </Stack>
      )}
      <ProblemNote error={reading.error} />
      <Help opened={help} onClose={close} onTry={(example) => setText(example)} />
    </Stack>
  );
}

interface MarksProps {
  text: string;
  marks: Mark[];
  onChoose: (mark: Mark, choice: string) => void;
}

/** Every stretch of the text with what it was taken for; what is unclear with its choices. */
function Marks({ text, marks, onChoose }: MarksProps) {
  const { t } = useTranslation();
  return (
    <Group gap={6}>
      {marks.map((mark) => {
        const open = mark.kind === 'UNCLEAR' || mark.kind === 'UNKNOWN';
        return (
          <Group key={mark.from} gap={4} className={`${classes.mark} ${open ? classes[mark.kind] : ''}`}>
            {mark.colour && <Swatch colour={mark.colour} />}
            <Text size="sm" fw={open ? 600 : undefined}>
              {open
                ? t(`quick.${mark.kind}${mark.choices.length > 0 ? '' : '_NONE'}`, {
                    text: text.slice(mark.from, mark.to),
                  })
                : words(t, mark)}
            </Text>
            {mark.choices.map((choice) => (
              <Button
                key={choice.text}
                size="compact-xs"
                variant="default"
                className={classes.choice}
                onClick={() => onChoose(mark, choice.text)}
              >
                {choice.meaning.match(/^\d{4}-/)
                  ? formatDay(choice.meaning)
                  : `${choice.meaning} (${choice.text})`}
              </Button>
            ))}
          </Group>
        );
      })}
    </Group>
  );
}

/** What a mark means, in words. */
function words(t: ReturnType<typeof useTranslation>['t'], mark: Mark): string {
  const place =
    mark.place === 'all'
      ? t('quick.all')
      : mark.kind === 'PART'
        ? partName(t, mark.place)
        : cordName(t, mark.place);
  switch (mark.kind) {
    case 'QUANTITY':
      return t('article.pieces', { count: Number(mark.value) });
    case 'COLOUR':
    case 'PART':
      return mark.place ? `${place}: ${mark.name}` : mark.name;
    case 'PATTERN':
      return mark.name;
    case 'EASE':
      return t(`ease.${mark.value}`);
    case 'WEARER':
      return t(`wearer.${mark.value}`);
    case 'DUE':
      return t('order.due', { day: formatDay(mark.value) });
    default:
      return t(`quick.${mark.kind}`, { value: mark.value });
  }
}

/** A line in short: its picture, whether it can be made, what it costs and when; or what is missing. */
function LineRead({ line }: { line: Schemas['LineReading'] }) {
  const { t } = useTranslation();
  const { piece, price, promise, problems } = line.trial;
  if (!piece)
    return (
      <div>
        {problems.map((p) => (
          <Text key={p.field} size="sm" c="var(--act)">
            {p.message} {p.remedy}
          </Text>
        ))}
      </div>
    );
  return (
    <Group gap="md">
      <img
        className={classes.picture}
        alt={piece.patternName}
        src={`data:image/svg+xml;utf8,${encodeURIComponent(piece.picture.svg)}`}
      />
      <Text size="sm" fw={600} flex="1 1 180px">
        {line.quantity} × {piece.patternName}
      </Text>
      <Verdict word={piece.verdict} />
      {price && (
        <Text size="sm">
          <Money value={price.each} /> {t('stock.each')}, <Money value={price.total} strong />
        </Text>
      )}
      {promise?.last && <Text size="sm">{t('quick.ready', { day: formatDay(promise.last) })}</Text>}
      {promise?.due !== undefined && <Verdict word={promise.verdict} />}
    </Group>
  );
}

const EXAMPLES = ['bar', 'several', 'fob', 'places', 'days'] as const;

interface HelpProps {
  opened: boolean;
  onClose: () => void;
  onTry: (example: string) => void;
}

/** The shorthand, by examples. */
function Help({ opened, onClose, onTry }: HelpProps) {
  const { t } = useTranslation();
  return (
    <Modal opened={opened} onClose={onClose} title={t('quick.helpTitle')} size="xl" centered>
      <Text size="sm" mb="sm">
        {t('quick.helpWords')}
      </Text>
      <Table fz="sm">
        <Table.Tbody>
          {EXAMPLES.map((e) => (
            <Table.Tr key={e}>
              <Table.Td>
                <Anchor
                  component="button"
                  type="button"
                  className="figure"
                  ta="left"
                  onClick={() => {
                    onTry(t(`quick.ex.${e}`));
                    onClose();
                  }}
                >
                  {t(`quick.ex.${e}`)}
                </Anchor>
              </Table.Td>
              <Table.Td>{t(`quick.exWords.${e}`)}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Modal>
  );
}
