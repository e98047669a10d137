import { Stack, Title } from '@mantine/core';
import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { useAmount } from '../../shared/amount';

type Card = Schemas['CardView'];

export function useCardAmount({ article }: Card) {
  const amount = useAmount();
  return (quantity: number) => amount(quantity, article.unit);
}

export function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Stack component="section" className="panel" p="md" gap="xs" aria-label={title}>
      <Title order={2} size="h4">
        {title}
      </Title>
      {children}
    </Stack>
  );
}
