import { ActionIcon, Button, Group, Stack, Text, Title } from '@mantine/core';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { moved } from './definition';

interface Props<T> {
  title: string;
  items: T[];
  /** What one item is called, for its buttons. */
  name: (item: T, index: number) => string;
  onChange: (items: T[]) => void;
  fresh: () => T;
  addLabel: string;
  /** What stands against an item, in the server's words. */
  problems: (index: number) => string[];
  children: (item: T, set: (item: T) => void, index: number) => ReactNode;
}

/** A list whose items can be added, changed, moved, doubled and removed. */
export function EditableList<T>({
  title,
  items,
  name,
  onChange,
  fresh,
  addLabel,
  problems,
  children,
}: Props<T>) {
  const { t } = useTranslation();
  return (
    <Stack gap={6}>
      <Group justify="space-between">
        <Title order={2} size="h5">
          {title}
        </Title>
        <Button size="compact-sm" variant="default" onClick={() => onChange([...items, fresh()])}>
          {addLabel}
        </Button>
      </Group>
      {items.map((item, i) => (
        <Group
          key={i}
          wrap="nowrap"
          align="flex-start"
          gap="xs"
          className="panel"
          p={8}
          data-problem={problems(i).length > 0 || undefined}
        >
          <Stack gap={4} flex={1} miw={0}>
            {children(item, (changed) => onChange(items.map((x, k) => (k === i ? changed : x))), i)}
            {problems(i).map((words) => (
              <Text key={words} size="sm" c="var(--act)" role="alert">
                {words}
              </Text>
            ))}
          </Stack>
          <Group gap={2} wrap="nowrap">
            {(
              [
                ['up', () => onChange(moved(items, i, -1)), i === 0, 'M6 9V3M3 6l3-3 3 3'],
                ['down', () => onChange(moved(items, i, 1)), i === items.length - 1, 'M6 3v6M3 6l3 3 3-3'],
                [
                  'double',
                  () => onChange([...items.slice(0, i + 1), item, ...items.slice(i + 1)]),
                  false,
                  'M2 2h6v6H2zM5 8v2h5V5H8',
                ],
                ['remove', () => onChange(items.filter((_, k) => k !== i)), false, 'M3 3l6 6M9 3l-6 6'],
              ] as const
            ).map(([act, run, off, path]) => (
              <ActionIcon
                key={act}
                variant="subtle"
                color="gray"
                disabled={off}
                onClick={run}
                aria-label={t(`editor.${act}`, { name: name(item, i) })}
                title={t(`editor.${act}`, { name: name(item, i) })}
              >
                <svg viewBox="0 0 12 12" width="14" height="14" aria-hidden="true">
                  <path d={path} fill="none" stroke="currentColor" strokeWidth="1.3" strokeLinecap="round" />
                </svg>
              </ActionIcon>
            ))}
          </Group>
        </Group>
      ))}
    </Stack>
  );
}
