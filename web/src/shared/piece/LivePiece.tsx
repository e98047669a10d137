import { Stack, Text } from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { ProblemNote } from '../ProblemNote';
import type { Choices } from './choices';
import { PiecePanel } from './PiecePanel';
import { workOutQuery } from './queries';

/** The first choice is asked about at once, those that follow within this time together; milliseconds. */
const SETTLE_MS = 60;

/** Works the choices out as they change. */
export function useLivePiece(choices: Choices, quantity: number) {
  const { units } = useUnits();
  const asked = useMemo(() => ({ choices: { ...choices, units }, quantity }), [choices, units, quantity]);
  const [settled] = useDebouncedValue(asked, SETTLE_MS, { leading: true });
  const { data, error } = useQuery(workOutQuery(settled.choices, settled.quantity));
  const problems = (data?.problems ?? []).map((p) => ({ field: p.field, text: `${p.message} ${p.remedy}` }));
  return {
    piece: data?.piece,
    error,
    problems,
    problem: (field: string) => problems.find((p) => p.field === field)?.text,
  };
}

interface Props {
  live: ReturnType<typeof useLivePiece>;
  onOffer: (offer: Schemas['OfferView']) => void;
}

/** The worked-out piece, or everything that stands against it. */
export function LivePiece({ live, onOffer }: Props) {
  return (
    <Stack className="panel" p="md" mih={300}>
      <ProblemNote error={live.error} />
      {live.piece ? (
        <PiecePanel piece={live.piece} onOffer={onOffer} />
      ) : (
        live.problems.map((p) => (
          <Text key={p.field} c="var(--act)" role="alert">
            {p.text}
          </Text>
        ))
      )}
    </Stack>
  );
}
