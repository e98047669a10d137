import { Button, Group, NumberInput, Stack, Text, Title } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import type { Schemas } from '../../api/client';
import { PieceChip } from '../../shared/PiecePicture';
import { ProblemNote } from '../../shared/ProblemNote';
import classes from './Finished.module.css';
import { SizeOf } from './ShelfPage';
import { sellsWellQuery, useMakeForShelf } from './shelf';

/** What left the house often lately, as a suggestion of what to make for the shelf; nothing where nothing did. */
export function SellsWell() {
  const { t } = useTranslation();
  const rows = useQuery(sellsWellQuery).data?.rows ?? [];
  if (rows.length === 0) return null;
  return (
    <Stack component="section" aria-label={t('sells.title')} gap="xs">
      <Title order={2} size="h4">
        {t('sells.title')}
      </Title>
      <ul className={`panel ${classes.rows}`}>
        {rows.map((row) => (
          <Row key={row.line} row={row} />
        ))}
      </ul>
    </Stack>
  );
}

function Row({ row }: { row: Schemas['SellsWellRow'] }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const make = useMakeForShelf();
  const [count, setCount] = useState<number | string>(1);
  return (
    <li className={classes.row}>
      <PieceChip lineId={row.line} />
      <div>
        <Text fw={650}>{row.patternName}</Text>
        <Text size="sm" c="dimmed">
          <SizeOf piece={row} /> {row.colours.join(', ')}
        </Text>
      </div>
      <Text size="sm">
        {t('sells.sold', { count: row.sold })} · {t('sells.lying', { count: row.lying })}
        {row.coming > 0 && ` · ${t('sells.coming', { count: row.coming })}`}
      </Text>
      <ProblemNote error={make.error} />
      <Group gap="xs" wrap="nowrap">
        <NumberInput
          aria-label={t('sells.count', { pattern: row.patternName })}
          w={72}
          size="md"
          min={1}
          max={50}
          allowDecimal={false}
          value={count}
          onChange={setCount}
        />
        <Button
          mih={44}
          variant="default"
          aria-label={t('sells.makeThese', { pattern: row.patternName })}
          loading={make.isPending}
          onClick={() =>
            make.mutate(
              { line: row.line, count: Number(count) || 0 },
              { onSuccess: ({ id }) => navigate(`/orders/${id}`) },
            )
          }
        >
          {t('sells.make')}
        </Button>
      </Group>
    </li>
  );
}
