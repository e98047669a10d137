import { Text, TextInput, type TextInputProps } from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { api, ask, ProblemError } from '../api/client';
import { useUnits } from '../app/units';
import { formatLength } from './format';

interface Props extends Omit<TextInputProps, 'onChange' | 'value'> {
  value: string;
  onChange: (text: string) => void;
}

const THICK = 30_000;
/** Diameters and bead sizes are read back finer than lengths of a body. */
const kindOf = (um: number) => (um < THICK ? 'part' : 'body');

/** A length in any unit; the field shows what it understood, in both systems. */
export function LengthField({ value, onChange, error, ...rest }: Props) {
  const { t } = useTranslation();
  const { units } = useUnits();
  const [text] = useDebouncedValue(value.trim(), 150);
  const reading = useQuery({
    queryKey: ['measures', 'length', text, units],
    queryFn: () => ask(api.GET('/api/measures/length', { params: { query: { text, units } } })),
    enabled: text !== '',
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
  });
  const other = units === 'METRIC' ? 'IMPERIAL' : 'METRIC';
  const understood =
    value.trim() !== '' &&
    reading.data &&
    !reading.isError &&
    t('lengthField.understood', {
      here: formatLength(reading.data.um, units, kindOf(reading.data.um)),
      there: formatLength(reading.data.um, other, kindOf(reading.data.um)),
    });
  const own = value.trim() !== '' && reading.error instanceof ProblemError && reading.error.field('text');
  return (
    <TextInput
      {...rest}
      value={value}
      onChange={(e) => onChange(e.currentTarget.value)}
      error={error || own || undefined}
      description={
        <Text span size="xs" c="dimmed" aria-live="polite">
          {understood || rest.description || t('lengthField.hint')}
        </Text>
      }
      inputWrapperOrder={['label', 'input', 'description', 'error']}
      autoComplete="off"
    />
  );
}
