import { Button, Chip, Group, NumberInput, Stack, Text, TextInput, Title } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ProblemError, type Schemas } from '../../api/client';
import { FAMILIES } from '../../shared/days';
import { Await } from '../../shared/Page';
import { ProblemNote } from '../../shared/ProblemNote';
import { useSession } from '../../shared/session';
import { calendarsQuery, useKeepCalendar } from './queries';

const DAYS = ['MONDAY', 'TUESDAY', 'WEDNESDAY', 'THURSDAY', 'FRIDAY', 'SATURDAY', 'SUNDAY'] as const;

/** When each maker is at the bench; what can be promised follows from all of them together. */
export function Calendars() {
  const { t } = useTranslation();
  const kept = useQuery(calendarsQuery);
  const { data: session } = useSession();
  return (
    <Stack className="panel" p="md" maw={680} gap="sm">
      <Title order={2} size="h4">
        {t('calendar.title')}
      </Title>
      <Text size="sm">{t('calendar.words')}</Text>
      <Await query={kept}>
        {({ makers }) => (
          <>
            {makers.map((maker) => (
              <Calendar
                key={maker.person}
                kept={maker}
                alone={makers.length === 1}
                mine={session?.role === 'OWNER' || session?.name === maker.name}
              />
            ))}
          </>
        )}
      </Await>
    </Stack>
  );
}

interface CalendarProps {
  kept: Schemas['CalendarView'];
  alone: boolean;
  mine: boolean;
}

function Calendar({ kept, alone, mine }: CalendarProps) {
  const { t } = useTranslation();
  const keep = useKeepCalendar(kept.person);
  const [week, setWeek] = useState<Record<string, number | string>>(kept.week);
  const [days, setDays] = useState(kept.days);
  const [ends, setEnds] = useState(kept.ends?.slice(0, 5) ?? '');
  const [families, setFamilies] = useState<string[]>(kept.families);
  const problem = (field: string) =>
    keep.error instanceof ProblemError && keep.error.field(field) !== undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    keep.mutate(
      {
        week: Object.fromEntries(DAYS.map((day) => [day, Number(week[day]) || 0])),
        days,
        ends: ends === '' ? undefined : ends,
        families: FAMILIES.filter((f) => families.includes(f)),
        revision: kept.revision,
      },
      { onSuccess: () => notifications.show({ message: t('calendar.kept'), color: 'board' }) },
    );
  };
  return (
    <Stack component="form" onSubmit={submit} gap="xs" aria-label={t('calendar.of', { name: kept.name })}>
      {!alone && (
        <Text fw={600} size="sm">
          {kept.name}
        </Text>
      )}
      {kept.shared && <Text size="sm">{t('calendar.shared')}</Text>}
      <Group gap="xs" align="flex-start">
        {DAYS.map((day) => (
          <NumberInput
            key={day}
            w={82}
            label={t(`day.${day}`)}
            value={week[day] ?? 0}
            onChange={(n) => setWeek({ ...week, [day]: n })}
            allowDecimal={false}
            step={30}
            readOnly={!mine}
            error={problem(`week.${day}`)}
          />
        ))}
      </Group>
      {days.map((other) => (
        <Group key={other.day} gap="xs">
          <Text size="sm">
            {other.minutes === 0
              ? t('calendar.off', { day: other.day })
              : t('calendar.part', { day: other.day, count: other.minutes })}
          </Text>
          {mine && (
            <Button
              size="compact-sm"
              variant="subtle"
              onClick={() => setDays(days.filter((d) => d.day !== other.day))}
            >
              {t('calendar.drop')}
            </Button>
          )}
        </Group>
      ))}
      {mine && (
        <OtherDay
          onAdd={(other) => setDays([...days.filter((d) => d.day !== other.day), other].sort(byDay))}
        />
      )}
      <Group gap="md" align="flex-end">
        <TextInput
          type="time"
          w={130}
          label={t('calendar.ends')}
          value={ends}
          onChange={(e) => setEnds(e.currentTarget.value)}
          readOnly={!mine}
        />
        <Stack gap={4} role="group" aria-label={t('calendar.families')}>
          <Text size="sm" fw={500}>
            {t('calendar.families')}
          </Text>
          <Chip.Group multiple value={families} onChange={setFamilies}>
            <Group gap={6}>
              {FAMILIES.map((family) => (
                <Chip key={family} value={family} size="xs" disabled={!mine}>
                  {t(`family.${family}`)}
                </Chip>
              ))}
            </Group>
          </Chip.Group>
        </Stack>
      </Group>
      <ProblemNote error={keep.error} />
      {mine && (
        <Group>
          <Button type="submit" variant="default" loading={keep.isPending}>
            {t('calendar.keep')}
          </Button>
        </Group>
      )}
    </Stack>
  );
}

const byDay = (a: Schemas['OtherDay'], b: Schemas['OtherDay']) => a.day.localeCompare(b.day);

/** A day off, or part of one; asked for only when it is wanted. */
function OtherDay({ onAdd }: { onAdd: (day: Schemas['OtherDay']) => void }) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const [day, setDay] = useState('');
  const [minutes, setMinutes] = useState<number | string>(0);
  if (!open) {
    return (
      <Group>
        <Button size="compact-sm" variant="subtle" onClick={() => setOpen(true)}>
          {t('calendar.other')}
        </Button>
      </Group>
    );
  }
  return (
    <Group gap="xs" align="flex-end">
      <TextInput
        type="date"
        label={t('calendar.day')}
        value={day}
        onChange={(e) => setDay(e.currentTarget.value)}
      />
      <NumberInput
        w={110}
        label={t('calendar.minutes')}
        value={minutes}
        onChange={setMinutes}
        min={0}
        step={30}
        allowDecimal={false}
      />
      <Button
        variant="default"
        disabled={day === ''}
        onClick={() => {
          onAdd({ day, minutes: Number(minutes) || 0 });
          setOpen(false);
          setDay('');
          setMinutes(0);
        }}
      >
        {t('calendar.add')}
      </Button>
    </Group>
  );
}
