import { Button, Group, Text } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useUnits } from '../../app/units';
import { formatLength } from '../../shared/format';
import { ProblemNote } from '../../shared/ProblemNote';
import { useCounter } from './queries';

const ASK_MS = 700;

/** The cord counter drives the cuts: what has run through is shown, and the cut is made when the length is there. */
export function Counter({ list, spool }: { list: number; spool: number }) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const [on, setOn] = useState(false);
  const counter = useCounter(list);
  const ask = useRef<() => void>(() => {});
  useEffect(() => {
    ask.current = () => {
      if (!counter.isPending) counter.mutate({ spool, anew: false });
    };
  });
  useEffect(() => {
    if (!on) return undefined;
    const timer = window.setInterval(() => ask.current(), ASK_MS);
    return () => window.clearInterval(timer);
  }, [on]);
  const begin = () => {
    counter.mutate({ spool, anew: true });
    setOn(true);
  };
  const seen = counter.data;
  return (
    <Group gap="sm">
      <Button variant={on ? 'filled' : 'default'} size="lg" onClick={on ? () => setOn(false) : begin}>
        {t(on ? 'bench.counter.stop' : 'bench.counter.follow')}
      </Button>
      {on && seen && (
        <Text role="status">
          {t(`bench.counter.${seen.stand}`, {
            ran: formatLength(seen.ranUm, units),
            need: formatLength(seen.needUm, units),
          })}
        </Text>
      )}
      <ProblemNote error={counter.error} />
    </Group>
  );
}
