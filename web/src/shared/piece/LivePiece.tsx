import { Stack, Text } from '@mantine/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { memo, useCallback, useMemo, useRef, useState } from 'react';
import type { Schemas } from '../../api/client';
import { useUnits } from '../../app/units';
import { ProblemNote } from '../ProblemNote';
import type { Choices, SetChoices } from './choices';
import { PiecePanel } from './PiecePanel';
import { type Wanted, workOutQuery } from './queries';

/**
 * Choices, and the piece worked out from them as they change. The server is asked in the moment of the choice, so that the
 * answer is on its way while the form is still being drawn. `set`, `put` and `problem` stay the same functions, so that what
 * they are handed to is drawn again only when it must.
 */
export function useLiveChoices(start: () => Choices, wanted?: Wanted) {
  const { units } = useUnits();
  const client = useQueryClient();
  const [choices, setChoices] = useState(start);
  const latest = useRef(choices);
  const asked = useRef(wanted);
  asked.current = wanted;
  const { data, error } = useQuery(workOutQuery({ ...choices, units }, wanted));
  const put = useCallback(
    (next: Choices) => {
      latest.current = next;
      client.prefetchQuery(workOutQuery({ ...next, units }, asked.current));
      setChoices(next);
    },
    [client, units],
  );
  const set = useCallback<SetChoices>(
    (change) => {
      const before = latest.current;
      put({ ...before, ...(typeof change === 'function' ? change(before) : change) });
    },
    [put],
  );
  const problems = useMemo(
    () => (data?.problems ?? []).map((p) => ({ field: p.field, text: `${p.message} ${p.remedy}` })),
    [data?.problems],
  );
  const problem = useCallback((field: string) => problems.find((p) => p.field === field)?.text, [problems]);
  return {
    choices,
    put,
    set,
    problem,
    live: { piece: data?.piece, promise: data?.promise, price: data?.price, error, problems },
  };
}

interface Props {
  live: ReturnType<typeof useLiveChoices>['live'];
  onOffer: (offer: Schemas['OfferView']) => void;
}

const Panel = memo(PiecePanel);

/** The worked-out piece, or everything that stands against it. */
export function LivePiece({ live, onOffer }: Props) {
  const now = useRef(onOffer);
  now.current = onOffer;
  const take = useCallback((offer: Schemas['OfferView']) => now.current(offer), []);
  return (
    <Stack className="panel" p="md" mih={300}>
      <ProblemNote error={live.error} />
      {live.piece ? (
        <Panel piece={live.piece} promise={live.promise} price={live.price} onOffer={take} />
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
