import { Text } from '@mantine/core';
import { useUnits } from '../app/units';
import { formatLength, formatMoney, type LengthKind } from './format';
import { useSession } from './session';

export function Length({ um, kind }: { um: number; kind?: LengthKind }) {
  const { units } = useUnits();
  return <span className="figure">{formatLength(um, units, kind)}</span>;
}

export function Money({ value, strong }: { value: number; strong?: boolean }) {
  const { data } = useSession();
  return (
    <Text span inherit className="figure" fw={strong ? 700 : undefined}>
      {formatMoney(value, data?.currency ?? 'EUR')}
    </Text>
  );
}
